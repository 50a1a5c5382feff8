import type { Part } from '../content';
import { Earned } from '../common/Earned';
import { PartRow } from '../common/PartRow';
import { RowFoot } from '../common/RowFoot';
import { nextId, type RowsProps } from '../common/rows';
import { useRows } from '../common/useRows';

/** The items of an order, written in the right one. */
export function OrderRows({ content, margin, readOnly, edit }: RowsProps) {
  const items = content.items ?? [];
  const set = (list: Part[]) => edit((c) => ({ ...c, items: list }));
  const rows = useRows<Part>({
    rows: items,
    set,
    make: (text, all, copied) => ({ id: nextId(all), text: copied && text === '' ? copied.text : text }),
    isEmpty: (item) => item.text === '',
  });
  const whole = (content.settings?.marking ?? 'whole') === 'whole';
  return (
    <>
      {items.map((item, i) => (
        <PartRow
          key={item.id}
          rows={rows}
          row={item}
          i={i}
          what="Item"
          line={`item ${i + 1}`}
          text={item.text}
          placeholder="what comes next"
          readOnly={readOnly}
          onText={(text) => set(items.map((it, j) => (j === i ? { ...it, text } : it)))}
          margin={
            whole ? (
              i === 0 && 'all in this order, or nothing'
            ) : (
              <>
                {content.settings?.marking === 'parts by neighbour' ? 'followed rightly, alone ' : 'in its place, alone '}
                <Earned margin={margin} line={`item ${i + 1}`} />
              </>
            )
          }
        />
      ))}
      {!readOnly && (
        <RowFoot
          lines={rows.lines}
          what="items"
          onSplit={rows.split}
          onLeave={rows.leave}
          margin={<p className="text-quiet">candidates get them mixed, never solved</p>}
        >
          {items.length === 0 ? (
            <button className="act not-italic" onClick={() => rows.add(-1)}>
              Write the first item
            </button>
          ) : (
            'in the right order · Enter for the next item · Alt and an arrow move one'
          )}
        </RowFoot>
      )}
    </>
  );
}
