import { DropdownMenu } from 'radix-ui';
import { useState } from 'react';
import { Editable, EditableChoice } from '../../../parts/fields/Editable';
import { copiedSection, type Document, joined, movedSection, putSection, type Section } from '../document';
import { duration } from '../typed';
import { SectionRules } from './SectionRules';

interface Props {
  document: Document;
  section: Section;
  readOnly: boolean;
  onChange: (document: Document) => void;
}

/** The title of a section, its order, time and rules, and what can be done with it. One that is all there is and says nothing has none. */
export function SectionHead({ document, section, readOnly, onChange }: Props) {
  const [ruling, setRuling] = useState(false);
  const { id, title = '', order = 'as written', time } = section;
  const place = document.sections.findIndex((one) => one.id === id);
  const alone = document.sections.length === 1;
  if (alone && title === '' && time === undefined && order === 'as written') return null;
  const put = (part: Partial<Section>) => onChange(putSection(document, id, part));
  const rules = Object.keys(section.rules ?? {}).length > 0;
  const items: [string, () => void][] = [
    ...(place > 0 ? ([['move up', () => onChange(movedSection(document, id, -1))]] as [string, () => void][]) : []),
    ...(place < document.sections.length - 1
      ? ([['move down', () => onChange(movedSection(document, id, 1))]] as [string, () => void][])
      : []),
    ...(alone || rules ? [] : ([['give it rules of its own', () => setRuling(true)]] as [string, () => void][])),
    ['copy with its steps', () => onChange(copiedSection(document, id))],
    ...(alone ? [] : ([['let its steps join the section before', () => onChange(joined(document, id))]] as [string, () => void][])),
  ];
  const head = (
    <h2 className="flex flex-wrap items-baseline gap-x-3 pt-3 pb-1 pl-[82px]">
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
          label={`Order in “${title}”`}
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
          label={`Time for “${title}”`}
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
      {!readOnly && (
        <DropdownMenu.Root modal={false}>
          <DropdownMenu.Trigger className="act min-h-6 min-w-6 text-sm" aria-label={`More for the section “${title}”`}>
            more
          </DropdownMenu.Trigger>
          <DropdownMenu.Portal>
            <DropdownMenu.Content className="menu" align="start" sideOffset={4}>
              {items.map(([words, act]) => (
                <DropdownMenu.Item key={words} onSelect={act}>
                  {words}
                </DropdownMenu.Item>
              ))}
            </DropdownMenu.Content>
          </DropdownMenu.Portal>
        </DropdownMenu.Root>
      )}
    </h2>
  );
  return (
    <>
      {head}
      {ruling && <SectionRules {...{ document, section, readOnly, onChange }} />}
    </>
  );
}
