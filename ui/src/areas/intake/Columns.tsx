import { useState } from 'react';
import type { Schema } from '../../api/client';
import { Editable, EditableChoice } from '../../parts/fields/Editable';
import type { Mapping } from './brought';
import { fitting, keepMapping, mappingOf, meaningOf, meanings } from './columns';

type Table = NonNullable<Schema['Understood']['table']>;

/** Which column of a table holds what, with its first rows; changed by hand, kept by name, offered again. */
export function Columns({ table, onChange }: { table: Table; onChange: (mapping: Mapping | null) => void }) {
  const [keptAs, setKeptAs] = useState('');
  const { columns, headings } = table;
  const held = columns.map(meaningOf);
  const offered = fitting(columns).filter((kept) => kept.held.join() !== held.join());
  const unknown = held.every((value) => value === '');
  return (
    <section aria-label="Columns" className="mt-2">
      <p>
        The headings stand in line{' '}
        <Editable
          label="Line of the headings"
          value={String(headings)}
          width={3}
          refuse={(typed) => (/^\d{1,3}$/.test(typed) ? null : 'the number of a line; 0 for no headings')}
          onChange={(typed) => onChange(mappingOf(Number(typed), held))}
        />
        .{unknown && ' Say which column holds what; the stem and the key at least.'}
      </p>
      <table className="w-full">
        <thead className="sr-only">
          <tr>
            <th>Column</th>
            <th>holds</th>
            <th>first rows</th>
          </tr>
        </thead>
        <tbody>
          {columns.map((column, i) => (
            <tr key={`${i} ${column.name}`} className="align-baseline">
              <th scope="row" className="max-w-60 truncate pr-3 text-left font-normal whitespace-nowrap">
                {column.name === '' ? `column ${i + 1}` : `“${column.name}”`}
              </th>
              <td className="pr-3 whitespace-nowrap">
                is{' '}
                <EditableChoice
                  label={`Column ${column.name === '' ? i + 1 : column.name}`}
                  value={meaningOf(column)}
                  options={meanings}
                  onChange={(value) =>
                    onChange(
                      mappingOf(
                        headings,
                        held.map((old, j) => (j === i ? value : old)),
                        i,
                      ),
                    )
                  }
                />
              </td>
              <td className="w-full max-w-0 truncate text-quiet">{column.sample.filter((cell) => cell !== '').join(' · ')}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-1">
        {offered.map((kept) => (
          <button key={kept.name} className="act mr-3" onClick={() => onChange(mappingOf(headings, kept.held))}>
            Take the columns of “{kept.name}”
          </button>
        ))}
        <span className="text-quiet">
          {keptAs === '' ? 'Keep these columns under ' : 'Kept as '}
          <Editable
            label="Keep these columns under a name"
            plain
            width={20}
            value={keptAs === '' ? 'a name' : keptAs}
            onChange={(name) => {
              keepMapping({ name, headings: columns.map((column) => column.name), held });
              setKeptAs(name);
            }}
          />
        </span>
      </p>
    </section>
  );
}
