import { type KeyboardEvent, useRef } from 'react';
import { useAdded } from '../../parts/hooks/useAdded';
import { Row } from '../../parts/PageAndMargin';
import { Moving } from '../../parts/Moving';
import { EditableChoice } from '../../parts/fields/Editable';
import type { Part } from '../content';
import type { RowsProps } from '../kindUi';
import { PartMarks, PartRow } from '../common/rows/PartRow';
import { RowFoot } from '../common/rows/RowFoot';
import { isWeighed, nextId } from '../common/rows/rows';
import { useRows } from '../common/rows/useRows';

/** The groups in one line, then every item with the group it belongs to. */
export function GroupRows({ content, margin, readOnly, edit }: RowsProps<'groups'>) {
  const { groups, items } = content;
  const set = (list: Part[]) => edit((c) => ({ ...c, items: list }));
  const change = (i: number, part: Partial<Part>) => set(items.map((item, j) => (j === i ? { ...item, ...part } : item)));
  const rows = useRows<Part>({
    rows: items,
    set,
    // The next item mostly goes to the same group as the one before.
    make: (text, all, copied) => ({
      belongs: all.at(-1)?.belongs ?? ['1'],
      ...(isWeighed(content) && { earns: '1' }),
      ...copied,
      id: nextId(all),
      text: copied && text === '' ? copied.text : text,
    }),
    isEmpty: (item) => item.text === '',
  });
  const names = useRef<HTMLParagraphElement>(null);
  const { last, adding } = useAdded<HTMLInputElement>();
  const addGroup = () => adding(() => edit((c) => ({ ...c, groups: [...groups, ''] })));
  /** Enter goes on: to the next name, from the last one that is written to another group, from an empty one to the items. */
  const onEnter = (g: number) => (e: KeyboardEvent) => {
    if (e.key !== 'Enter' || e.ctrlKey || e.shiftKey || e.nativeEvent.isComposing) return;
    e.preventDefault();
    const next = names.current?.querySelectorAll('input')[g + 1];
    if (next) next.focus();
    else if (groups[g] !== '') addGroup();
    else if (items.length > 0) rows.focus(0);
    else rows.add(-1);
  };
  const removeGroup = (g: number) =>
    edit((c) => ({
      ...c,
      groups: groups.toSpliced(g, 1),
      items: items.map((item) => {
        const at = Number(item.belongs?.[0] ?? 0);
        return at === g + 1 ? { ...item, belongs: [] } : at > g + 1 ? { ...item, belongs: [String(at - 1)] } : item;
      }),
    }));
  const options = [
    ...groups.map((name, g) => ({ value: String(g + 1), words: name === '' ? `group ${g + 1}` : name })),
    { value: '', words: 'nowhere: a spare' },
  ];
  return (
    <>
      <Row
        line
        page={
          <p ref={names} className="flex flex-wrap items-baseline gap-x-4 gap-y-1 font-reading text-[17px]">
            {groups.map((name, g) => (
              <span key={g}>
                <input
                  data-draft
                  ref={g === groups.length - 1 ? last : undefined}
                  onKeyDown={onEnter(g)}
                  className="border-b border-dotted border-copper font-semibold outline-none"
                  style={{ width: `${Math.max(12, name.length + 1)}ch` }}
                  aria-label={`Name of group ${g + 1}`}
                  placeholder={`group ${g + 1}`}
                  readOnly={readOnly}
                  value={name}
                  onChange={(e) => edit((c) => ({ ...c, groups: groups.with(g, e.target.value) }))}
                />
                {!readOnly && groups.length > 2 && (
                  <button className="act ml-2 font-interface text-sm" aria-label={`Take out group ${g + 1}`} onClick={() => removeGroup(g)}>
                    take out
                  </button>
                )}
              </span>
            ))}
            {!readOnly && (
              <button className="act font-interface text-sm" onClick={addGroup}>
                one more group
              </button>
            )}
          </p>
        }
        margin={<p>the groups, in this order</p>}
      />
      <Moving what="Item" onMove={rows.move}>
        {items.map((item, i) => {
          const belongs = item.belongs?.[0] ?? '';
          return (
            <PartRow
              key={item.id}
              rows={rows}
              row={item}
              i={i}
              what="Item"
              line={`item ${i + 1}`}
              text={item.text}
              placeholder="what is to be sorted"
              readOnly={readOnly}
              onText={(text) => change(i, { text })}
              margin={
                <>
                  in{' '}
                  <EditableChoice
                    label={`Group of item ${i + 1}`}
                    value={belongs}
                    options={options}
                    disabled={readOnly}
                    onChange={(to) => change(i, { belongs: to === '' ? [] : [to] })}
                  />
                  {' · '}
                  <PartMarks
                    part={item}
                    line={`item ${i + 1}`}
                    weighed={isWeighed(content)}
                    spare={belongs === ''}
                    margin={margin}
                    readOnly={readOnly}
                    onChange={(part) => change(i, part)}
                  />
                </>
              }
            />
          );
        })}
      </Moving>
      {!readOnly && (
        <RowFoot rows={rows} isEmpty={items.length === 0} what="items" first="Write the first item">
          Enter for the next item, into the same group
        </RowFoot>
      )}
    </>
  );
}
