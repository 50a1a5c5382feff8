import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, dataOf, errorWords, type Schema } from '../../api/client';
import { keys } from '../../api/keys';
import { Editable, EditableChoice } from '../../parts/fields/Editable';
import type { Mapping } from './brought';
import { asMapping, fitting, mappingOf, meaningOf, meanings } from './columns';

type Table = NonNullable<Schema['Understood']['table']>;

/** Which column of a table holds what, with its first rows; changed by hand, kept by name, offered again. */
export function Columns({ table, onChange }: { table: Table; onChange: (mapping: Mapping | null) => void }) {
  const [keptAs, setKeptAs] = useState('');
  const { columns, headings } = table;
  const held = columns.map(meaningOf);
  const queries = useQueryClient();
  const kept = useQuery({ queryKey: keys.mappings(), queryFn: () => dataOf(api.GET('/intake/mappings')) });
  const offered = fitting(kept.data?.mappings ?? [], columns, mappingOf(headings, held));
  const keep = useMutation({
    mutationFn: (name: string) =>
      dataOf(
        api.PUT('/intake/mappings', {
          body: { name, headings: columns.map((column) => column.name), mapping: mappingOf(headings, held) },
        }),
      ),
    onSuccess: (told, name) => {
      queries.setQueryData(keys.mappings(), told);
      setKeptAs(name);
    },
  });
  const leave = useMutation({
    mutationFn: (id: number) => dataOf(api.DELETE('/intake/mappings/{id}', { params: { path: { id } } })),
    onSuccess: (told) => queries.setQueryData(keys.mappings(), told),
  });
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
        {offered.map(({ id, name, mapping, by }) => (
          <span key={id} className="mr-3">
            <button className="act" title={`kept by ${by}`} onClick={() => onChange(asMapping(mapping))}>
              Take the columns of “{name}”
            </button>{' '}
            <button className="act" aria-label={`Let go of “${name}”`} disabled={leave.isPending} onClick={() => leave.mutate(id)}>
              let go of it
            </button>
          </span>
        ))}
        <span className="text-quiet">
          {keptAs === '' ? 'Keep these columns under ' : 'Kept as '}
          <Editable
            label="Keep these columns under a name"
            plain
            width={20}
            value={keptAs === '' ? 'a name' : keptAs}
            onChange={(name) => keep.mutate(name)}
          />
        </span>
        {(keep.error ?? leave.error) && <span className="notice block">{errorWords(keep.error ?? leave.error)}</span>}
      </p>
    </section>
  );
}
