import { Moving, MovingRow } from '../../../parts/Moving';
import { Row } from '../../../parts/PageAndMargin';
import { Editable } from '../../../parts/fields/Editable';
import { GrowingText } from '../../../parts/fields/GrowingText';
import type { Margin, Wording } from '../../content';
import { Earned } from './Earned';
import { LineNotes, CommentHere } from '../lines/LineNotes';
import { Toggle } from '../../../parts/fields/Toggle';
import { Handle } from './Handle';
import { RowFoot } from './RowFoot';
import { nextId } from './rows';
import { useRows } from './useRows';

interface Props {
  accepted: Wording[];
  margin: Margin | null;
  readOnly: boolean;
  placeholder: string;
  /** whether a row may be a pattern */
  hasPatterns: boolean;
  onAccepted: (list: Wording[]) => void;
}

/** What is accepted where one types: wordings of a text, spans of a number. One row each. */
export function TypedRows({ accepted: typed, margin, readOnly, placeholder, hasPatterns, onAccepted: set }: Props) {
  const rows = useRows<Wording>({
    rows: typed,
    set,
    make: (text, list, copied) => ({ ...copied, id: nextId(list), text: copied && text === '' ? copied.text : text }),
    isEmpty: (row) => row.text === '',
  });
  const change = (i: number, part: Partial<Wording>) => set(typed.map((row, j) => (j === i ? { ...row, ...part } : row)));
  return (
    <>
      <Moving what="Accepted answer" onMove={rows.move}>
        {typed.map((row, i) => (
          <Row
            key={i}
            line
            page={
              <MovingRow i={i} disabled={readOnly}>
                <Handle
                  i={i}
                  what="Accepted answer"
                  readOnly={readOnly}
                  onCopy={() => rows.add(i, row)}
                  onUp={() => rows.move(i, i - 1)}
                  onDown={() => rows.move(i, i + 1)}
                  onRemove={() => rows.remove(i)}
                />
                <span className="w-13 shrink-0 text-sm whitespace-nowrap text-quiet">
                  {row.pattern ? 'pattern' : i === 0 ? 'accepts' : 'or'}
                </span>
                <input
                  data-draft
                  ref={(element) => rows.register(i, element)}
                  className="w-full font-reading text-[17px] outline-none"
                  aria-label={`Accepted answer ${i + 1}`}
                  placeholder={placeholder}
                  readOnly={readOnly}
                  value={row.text}
                  onChange={(e) => change(i, { text: e.target.value })}
                  onKeyDown={(e) => rows.onKey(i, e)}
                />
              </MovingRow>
            }
            margin={
              <>
                <p>
                  <Editable
                    label={`Share of answer ${i + 1}`}
                    value={`${row.share ?? '100'} %`}
                    disabled={readOnly}
                    onChange={(share) => change(i, { share: share.replace(/\s*%$/, '') })}
                  />
                  {' · '}
                  <Earned margin={margin} line={`answer ${i + 1}`} />
                  {hasPatterns && (
                    <>
                      {' · '}
                      <Toggle
                        on={row.pattern ?? false}
                        words={['a pattern, * any run, ? one character', 'word for word']}
                        label={`Answer ${i + 1}`}
                        disabled={readOnly}
                        onChange={(pattern) => change(i, { pattern })}
                      />
                    </>
                  )}{' '}
                  <span className="lineact">
                    <CommentHere where={`answer ${i + 1}`} />
                  </span>
                </p>
                <GrowingText
                  className="say"
                  label={`What is said to answer ${i + 1}`}
                  placeholder="says nothing of its own"
                  readOnly={readOnly}
                  value={row.says ?? ''}
                  onChange={(says) => change(i, { says })}
                />
                <LineNotes where={`answer ${i + 1}`} />
              </>
            }
          />
        ))}
      </Moving>
      {!readOnly && (
        <RowFoot rows={rows} isEmpty={typed.length === 0} what="wordings" first="Write what is accepted">
          Enter for another accepted answer
        </RowFoot>
      )}
    </>
  );
}
