import type { Schema } from '../../../../api/client';
import { errorWords } from '../../../../api/client';
import { figure, points } from '../../../../parts/text/figures';
import type { Blueprint } from '../../document';
import { useRehearsalFrom } from './RehearseFrom';

type Grid = Schema['ReachingGrid'];
type Column = Grid['columns'][number];

const range = (from: string, to: string) => (from === to ? figure(from) : `${figure(from)} to ${figure(to)}`);

const columnWords = (column: Column) =>
  Object.entries(column)
    .map(([tally, { from, to }]) => {
      if (from === null) return to === null ? `any ${tally}` : `${tally} up to ${figure(to)}`;
      return to === null ? `${tally} ${figure(from)} and more` : `${tally} ${range(String(from), String(to))}`;
    })
    .join(', ');

/** The value of a range nearest to nothing that can be typed. */
const within = ({ from, to }: Grid['points'][number]) => (Number(from) > 0 || Number(to) < 0 ? from : '0');

/** With which points and tallies each route of a checkpoint is taken; each of them begins a rehearsal there. */
export function PathsGrid({ blueprint, step }: { blueprint: Blueprint; step: string }) {
  const begin = useRehearsalFrom(blueprint.id, step);
  const grid = blueprint.proof.grids[step];
  if (grid === undefined) return null;
  if (grid === null) return <p className="text-quiet">Its conditions divide points and tallies into more parts than can be shown here.</p>;
  const named = grid.columns.some((column) => Object.keys(column).length > 0);
  return (
    <div className="overflow-x-auto">
      <table className="ledger w-auto!" aria-label="With what each route is taken">
        <thead>
          <tr>
            <th scope="col">of {figure(grid.max)} points, with</th>
            {grid.columns.map((column, c) => (
              <th key={c} scope="col" className="text-left!">
                {named ? columnWords(column) : 'one goes by'}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {grid.points.map((row, r) => (
            <tr key={r}>
              <th scope="row" className="fig text-sm!">
                {range(row.from, row.to)}
              </th>
              {grid.columns.map((column, c) => {
                const route = grid.cells[r]?.[c] ?? null;
                const words = route === null ? 'otherwise' : `route ${route}`;
                return (
                  <td key={c}>
                    <button
                      className="act min-h-6"
                      aria-label={`Rehearse from here with ${range(row.from, row.to)} ${points(row.to)}${named ? `, ${columnWords(column)}` : ''}: ${words}`}
                      disabled={begin.isPending}
                      onClick={() =>
                        begin.mutate({
                          earned: within(row),
                          max: grid.max,
                          tallies: Object.fromEntries(Object.entries(column).map(([tally, value]) => [tally, value.with])),
                        })
                      }
                    >
                      {words}
                    </button>
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
      <p className="text-quiet">
        Each begins a rehearsal here.
        {grid.never.length > 0 && ` Route ${grid.never.join(', ')}: by what was answered, or never.`}
      </p>
      {begin.error && <p className="notice">{errorWords(begin.error)}</p>}
    </div>
  );
}
