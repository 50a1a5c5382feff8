import { sectionWords } from './words';
import { type KeyboardEvent, useState } from 'react';
import { Editable, EditableChoice } from '../../../parts/fields/Editable';
import { HandleMenu } from '../../../parts/HandleMenu';
import { useDropPlace } from '../../../parts/Moving';
import { copiedSection, type Document, joined, movedSection, putSection, type Section } from '../document';
import { duration } from '../typed';
import { SectionRules } from './SectionRules';

interface Props {
  document: Document;
  section: Section;
  /** its place among all that can be moved, steps and sections, from 0 */
  i: number;
  readOnly: boolean;
  onChange: (document: Document) => void;
}

/** The title of a section, its order, time and rules, and what can be done with it. One that is all there is and says nothing has none. */
export function SectionHead({ document, section, i, readOnly, onChange }: Props) {
  const [ruling, setRuling] = useState(false);
  const { ref, isOver } = useDropPlace(i, readOnly);
  const { id, title = '', order = 'as written', time } = section;
  const place = document.sections.findIndex((one) => one.id === id);
  const alone = document.sections.length === 1;
  if (alone && title === '' && time === undefined && order === 'as written') return null;
  const put = (part: Partial<Section>) => onChange(putSection(document, id, part));
  const rules = Object.keys({ ...section.rules, ...section.settings }).length > 0;
  const move = (by: -1 | 1) => {
    onChange(movedSection(document, id, by));
    // The handle is where its section is by then.
    requestAnimationFrame(() => window.document.querySelector<HTMLElement>(`[data-of="section ${id}"]`)?.focus());
  };
  const onKeyDown = (e: KeyboardEvent) => {
    if (!e.altKey || (e.key !== 'ArrowUp' && e.key !== 'ArrowDown')) return;
    e.preventDefault();
    move(e.key === 'ArrowUp' ? -1 : 1);
  };
  const called = sectionWords(document, id);
  const items: [string, string, () => void][] = [];
  if (place > 0) items.push(['move up', 'Alt ↑', () => move(-1)]);
  if (place < document.sections.length - 1) items.push(['move down', 'Alt ↓', () => move(1)]);
  if (!alone && !rules) items.push(['give it rules of its own', '', () => setRuling(true)]);
  items.push(['copy with its steps', '', () => onChange(copiedSection(document, id))]);
  if (!alone) items.push(['let its steps join the section before', '', () => onChange(joined(document, id))]);
  const head = (
    <h2 ref={ref} className={`grid grid-cols-[26px_1fr] items-baseline pt-3 pb-1 pl-[56px] ${isOver ? 'drop-here' : ''}`}>
      {readOnly ? (
        <span />
      ) : (
        <HandleMenu
          i={i}
          shows="§"
          label={title === '' ? `More for ${called}` : `More for the section ${called}`}
          items={items}
          onKeyDown={onKeyDown}
          of={`section ${id}`}
        />
      )}
      <span className="flex flex-wrap items-baseline gap-x-3">
        <span className="head [&_.value]:font-[650]! [&_.value]:text-moss">
          <Editable
            plain
            label="Title of the section"
            value={title === '' ? 'no title' : title}
            width={18}
            disabled={readOnly}
            onChange={(typed) => put({ title: typed })}
          />
        </span>
        <span className="path">
          <EditableChoice
            label={`Order in ${called}`}
            value={order}
            options={[
              { value: 'as written', words: 'in this order' },
              { value: 'mixed', words: 'mixed anew in each form' },
            ]}
            disabled={readOnly}
            onChange={(next) => put({ order: next === 'mixed' ? 'mixed' : undefined } as Partial<Section>)}
          />{' '}
          ·{' '}
          <Editable
            label={`Time for ${called}`}
            value={time ?? 'no time of its own'}
            plain
            width={8}
            disabled={readOnly}
            refuse={(typed) => (/^no/.test(typed) || duration(typed) !== null ? null : 'such as 10 min or 90 s; or no')}
            onChange={(typed) => put({ time: duration(typed) ?? undefined } as Partial<Section>)}
          />
          {rules && (
            <>
              {' · '}
              <button className="value font-normal!" aria-expanded={ruling} onClick={() => setRuling(!ruling)}>
                rules of its own
              </button>
            </>
          )}
        </span>
      </span>
    </h2>
  );
  return (
    <>
      {head}
      {ruling && <SectionRules {...{ document, section, readOnly, onChange }} />}
    </>
  );
}
