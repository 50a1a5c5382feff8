import { NumberedText } from './NumberedText';
import { Row } from '../../../../parts/PageAndMargin';
import { useAdded } from '../../../../parts/hooks/useAdded';
import { Editable } from '../../../../parts/fields/Editable';
import type { Content, Margin } from '../../../../kinds/content';
import { LineNotes } from '../../../../kinds/common/lines/LineNotes';
import { nextId, plain } from '../../../../kinds/common/rows/rows';

type Hint = NonNullable<Content['hints']>[number];

interface Props {
  content: Content;
  margin: Margin | null;
  readOnly: boolean;
  edit: (make: (content: Content) => Content) => void;
}

/** Helps that may be opened, in their order: from which attempt, after how long, for what cost. */
export function HintRows({ content, margin, readOnly, edit }: Props) {
  const hints = content.hints ?? [];
  const set = (list: Hint[]) => edit((c) => ({ ...c, hints: list }));
  const change = (i: number, part: Partial<Hint>) => set(hints.map((h, j) => (j === i ? { ...h, ...part } : h)));
  const { last, adding } = useAdded<HTMLTextAreaElement>();
  const usual = margin?.settings['hint costs']?.value ?? '0';
  return (
    <>
      {hints.map((hint, i) => (
        <NumberedText
          key={i}
          ref={i === hints.length - 1 ? last : undefined}
          what="Hint"
          n={i + 1}
          placeholder="a help that may be opened"
          readOnly={readOnly}
          text={hint.text}
          onText={(text) => change(i, { text })}
          margin={
            <>
              <p>
                from attempt{' '}
                <Editable
                  label={`Hint ${i + 1}, from attempt`}
                  value={String(hint.fromAttempt ?? 1)}
                  disabled={readOnly}
                  onChange={(v) => change(i, { fromAttempt: Math.max(1, Math.trunc(Number(v)) || 1) })}
                />
                , after{' '}
                <Editable
                  label={`Hint ${i + 1}, after how long`}
                  value={typeof hint.after === 'string' ? hint.after : `${hint.after ?? 0} s`}
                  disabled={readOnly}
                  onChange={(v) => change(i, { after: v.replace(/^0 ?s$/, '0') })}
                />
                , costs{' '}
                <Editable
                  label={`What hint ${i + 1} costs`}
                  value={hint.costs ?? usual}
                  disabled={readOnly}
                  onChange={(v) => change(i, { costs: plain(v) })}
                />
                {!readOnly && (
                  <>
                    {' '}
                    {i > 0 && (
                      <button className="act" onClick={() => set(hints.toSpliced(i, 1).toSpliced(i - 1, 0, hint))}>
                        before hint {i}
                      </button>
                    )}{' '}
                    <button className="act" aria-label={`Take out hint ${i + 1}`} onClick={() => set(hints.toSpliced(i, 1))}>
                      take out
                    </button>
                  </>
                )}
              </p>
              <LineNotes where={`hint ${i + 1}`} />
            </>
          }
        />
      ))}
      {!readOnly && (
        <Row
          page={
            <button className="act" onClick={() => adding(() => set([...hints, { id: nextId(hints), text: '' }]))}>
              {hints.length === 0 ? 'Give a hint' : 'Give another hint'}
            </button>
          }
        />
      )}
    </>
  );
}
