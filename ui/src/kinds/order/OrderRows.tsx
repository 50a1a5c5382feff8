import type { Part } from '../content';
import { Moving } from '../../parts/Moving';
import type { RowsProps } from '../kindUi';
import { Earned } from '../common/rows/Earned';
import { PartRow } from '../common/rows/PartRow';
import { RowFoot } from '../common/rows/RowFoot';
import { nextId } from '../common/rows/rows';
import { useRows } from '../common/rows/useRows';

/** The items of an order, written in the right one. */
export function OrderRows({ content, margin, readOnly, edit }: RowsProps<'order'>) {
  const { items } = content;
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
      <Moving what="Item" onMove={rows.move}>
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
      </Moving>
      {!readOnly && (
        <RowFoot
          rows={rows}
          isEmpty={items.length === 0}
          what="items"
          first="Write the first item"
          margin={<p className="text-quiet">candidates get them mixed, never solved</p>}
        >
          in the right order · Enter for the next item · Alt and an arrow move one
        </RowFoot>
      )}
    </>
  );
}
