import { useRef } from 'react';
import { Moving } from '../../parts/Moving';
import { GrowingText } from '../../parts/fields/GrowingText';
import type { Part } from '../content';
import type { RowsProps } from '../kindUi';
import { PartMarks, PartRow } from '../common/rows/PartRow';
import { RowFoot } from '../common/rows/RowFoot';
import { isWeighed, nextId } from '../common/rows/rows';
import { useRows } from '../common/rows/useRows';

/** Left-hand sides with what belongs to each; below, right-hand sides that belong to none. */
export function PairRows({ content, margin, readOnly, edit }: RowsProps<'pairs'>) {
  const { pairs, spares } = content;
  const withs = useRef(new Map<number, HTMLTextAreaElement>());
  const set = (list: Part[]) => edit((c) => ({ ...c, pairs: list.map((p) => ({ ...p, belongs: [String(p.id)] })) }));
  const change = (i: number, part: Partial<Part>) => set(pairs.map((p, j) => (j === i ? { ...p, ...part } : p)));
  const rows = useRows<Part>({
    rows: pairs,
    set,
    make: (text, all, copied) => ({
      with: '',
      ...(isWeighed(content) && { earns: '1' }),
      ...copied,
      id: nextId(all),
      text: copied && text === '' ? copied.text : text,
    }),
    isEmpty: (pair) => pair.text === '' && (pair.with ?? '') === '',
  });
  const spareRows = useRows<string>({
    rows: spares,
    set: (list) => edit((c) => ({ ...c, spares: list })),
    make: (text, _, copied) => (copied !== undefined && text === '' ? copied : text),
    isEmpty: (spare) => spare === '',
    least: 0,
  });
  return (
    <>
      <Moving what="Left-hand side" onMove={rows.move}>
        {pairs.map((pair, i) => (
          <PartRow
            key={pair.id}
            rows={{
              ...rows,
              // From the left-hand side Enter goes to its right-hand side, from there to the next pair.
              onKey: (at, e) => {
                if (e.key === 'Enter' && !e.shiftKey) {
                  e.preventDefault();
                  withs.current.get(at)?.focus();
                } else rows.onKey(at, e);
              },
            }}
            row={pair}
            i={i}
            what="Left-hand side"
            line={`pair ${i + 1}`}
            text={pair.text}
            placeholder="what is to be matched"
            readOnly={readOnly}
            onText={(text) => change(i, { text })}
            beside={
              <>
                <span className="text-quiet">with</span>
                <GrowingText
                  ref={(element) => {
                    if (element) withs.current.set(i, element);
                    else withs.current.delete(i);
                  }}
                  className="answer"
                  label={`Right-hand side ${i + 1}`}
                  placeholder="what belongs to it"
                  readOnly={readOnly}
                  value={pair.with ?? ''}
                  onChange={(text) => change(i, { with: text })}
                  onKeyDown={(e) => (e.key === 'Backspace' ? undefined : rows.onKey(i, e))}
                />
              </>
            }
            margin={
              <PartMarks
                part={pair}
                line={`pair ${i + 1}`}
                weighed={isWeighed(content)}
                spare={false}
                margin={margin}
                readOnly={readOnly}
                onChange={(part) => change(i, part)}
              />
            }
          />
        ))}
      </Moving>
      <Moving what="Spare right-hand side" onMove={spareRows.move}>
        {spares.map((spare, i) => (
          <PartRow
            key={`spare ${i}`}
            rows={spareRows}
            row={spare}
            i={i}
            what="Spare right-hand side"
            line={`spare ${i + 1}`}
            text={spare}
            placeholder="belongs to none"
            readOnly={readOnly}
            onText={(text) => edit((c) => ({ ...c, spares: spares.with(i, text) }))}
            margin="a spare, belongs to none"
          />
        ))}
      </Moving>
      {!readOnly && (
        <RowFoot rows={rows} isEmpty={pairs.length === 0} what="left-hand sides" first="Write the first pair">
          Enter for the right-hand side, and for the next pair ·{' '}
          <button className="act not-italic" onClick={() => spareRows.add(spares.length - 1)}>
            a spare right-hand side
          </button>
        </RowFoot>
      )}
    </>
  );
}
