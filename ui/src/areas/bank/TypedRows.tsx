import { type KeyboardEvent, useRef } from 'react';
import { figure } from '../../parts/figures';
import { Row } from '../../parts/Sheet';
import { Value } from '../../parts/Value';
import type { Content, Question } from './draft';

interface Typed {
  text: string;
  share?: string;
  says?: string;
  pattern?: boolean;
}

/** What is accepted where one types: wordings of a text, spans of a number. One row each. */
export function TypedRows(props: {
  content: Content;
  margin: Question['margin'] | null;
  onChange: (content: Content) => void;
  readOnly: boolean;
}) {
  const { content, margin, onChange, readOnly } = props;
  const inputs = useRef<(HTMLInputElement | null)[]>([]);
  const isNumber = content.kind === 'number';
  const rows: Typed[] = isNumber ? (content.spans ?? []).map(({ span, ...rest }) => ({ text: span, ...rest })) : (content.wordings ?? []);
  const set = (list: Typed[]) =>
    onChange(
      isNumber
        ? { ...content, spans: list.map(({ text, share, says }) => ({ span: text, ...(share && { share }), ...(says && { says }) })) }
        : { ...content, wordings: list },
    );
  const edit = (i: number, part: Partial<Typed>) => set(rows.map((row, j) => (j === i ? { ...row, ...part } : row)));
  const focus = (i: number) => window.setTimeout(() => inputs.current[i]?.focus(), 0);
  const keys = (i: number) => (e: KeyboardEvent<HTMLInputElement>) => {
    if (e.key === 'Enter') {
      set([...rows.slice(0, i + 1), { text: '' }, ...rows.slice(i + 1)]);
      focus(i + 1);
    } else if (e.key === 'Backspace' && e.currentTarget.value === '' && rows.length > 1) {
      e.preventDefault();
      set(rows.toSpliced(i, 1));
      focus(Math.max(0, i - 1));
    }
  };
  return (
    <>
      {rows.map((row, i) => (
        <Row
          key={i}
          line
          page={
            <div className="flex items-baseline gap-3">
              <span className="w-13 shrink-0 text-sm whitespace-nowrap text-quiet">
                {row.pattern ? 'pattern' : i === 0 ? 'accepts' : 'or'}
              </span>
              <input
                ref={(input) => {
                  inputs.current[i] = input;
                }}
                className="w-full font-reading text-[17px] outline-none"
                aria-label={`Accepted answer ${i + 1}`}
                placeholder={isNumber ? '14, or 14 within 0.6, or 12 to 13' : 'an accepted wording'}
                readOnly={readOnly}
                value={row.text}
                onChange={(e) => edit(i, { text: e.target.value })}
                onKeyDown={keys(i)}
              />
            </div>
          }
          margin={
            <>
              <p>
                <Value
                  label={`Share of answer ${i + 1}`}
                  value={`${row.share ?? '100'} %`}
                  disabled={readOnly}
                  onChange={(share) => edit(i, { share: share.replace(/\s*%$/, '') })}
                />
                {' · '}
                earns <b className="fig">{figure(margin?.answers[i] ?? '…')}</b>
                {!isNumber && (
                  <>
                    {' · '}
                    <button
                      className={row.pattern ? 'value' : 'border-b border-dotted border-copper text-quiet'}
                      disabled={readOnly}
                      aria-pressed={row.pattern ?? false}
                      onClick={() => edit(i, { pattern: !row.pattern })}
                    >
                      {row.pattern ? 'a pattern, * any run, ? one character' : 'word for word'}
                    </button>
                  </>
                )}
              </p>
              <textarea
                className="say mt-0.5 outline-none"
                rows={1}
                aria-label={`What is said to answer ${i + 1}`}
                placeholder="says nothing of its own"
                readOnly={readOnly}
                value={row.says ?? ''}
                onChange={(e) => edit(i, { says: e.target.value })}
              />
            </>
          }
        />
      ))}
      {!readOnly && (
        <Row
          line
          page={
            rows.length === 0 ? (
              <button className="act" onClick={() => set([{ text: '' }])}>
                Write what is accepted
              </button>
            ) : (
              <p className="pl-16 text-quiet italic">Enter for another accepted answer</p>
            )
          }
        />
      )}
    </>
  );
}
