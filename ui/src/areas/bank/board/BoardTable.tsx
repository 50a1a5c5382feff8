import { Fragment, type ReactNode, useState } from 'react';
import { Link } from 'react-router';
import { errorWords, type Schema } from '../../../api/client';
import { Moving, useDropPlace } from '../../../parts/Moving';
import { KindHeads } from './KindHeads';
import { ObjectiveForm } from './ObjectiveForm';
import { type Doing, ObjectiveMenu } from './ObjectiveMenu';
import { needOf } from './coverage';
import { dropped } from './tree';
import type { ObjectiveChanges } from './useObjectiveChanges';

type BoardRow = Schema['Board']['rows'][number];

/** What the columns can be. */
export const bys = ['kind', 'status', 'difficulty', 'tag'] as const;
export type By = (typeof bys)[number];

/** From so many objectives on the heads are held in sight. */
const LONG = 25;

interface Props {
  bank: number;
  by: By;
  columns: string[];
  rows: BoardRow[];
  blueprint: Schema['Blueprint'] | undefined;
  /** null for whoever may only read */
  changes: ObjectiveChanges | null;
}

/** Objective × kind, and the tree of objectives put in order in place. */
export function BoardTable({ bank, by, columns, rows, blueprint, changes }: Props) {
  const objectives = rows.map(({ objective }) => objective);
  // Where figures are long, what there is stands below what is cleared, so that objectives keep their room.
  const isLarge = total(rows.map(({ cells }) => cells)).all >= 1000;
  const [doing, setDoing] = useState<{ id: number; what: Doing } | null>(null);
  const done = () => {
    changes?.change.reset();
    // Who works by keys goes on from the objective they were at.
    document.querySelector<HTMLElement>(`[data-of="objective ${doing?.id ?? ''}"]`)?.focus();
    setDoing(null);
  };
  const form = (objective: Schema['Objective'] | null, questions: number) =>
    changes &&
    doing &&
    doing.id === (objective?.id ?? -1) && (
      <tr>
        <td colSpan={columns.length + 2}>
          <ObjectiveForm {...{ objectives, objective, questions, changes, doing: doing.what, onDone: done }} />
        </td>
      </tr>
    );
  const move = (from: number, onto: number) => {
    const to = dropped(objectives, from, onto);
    const one = objectives[from];
    if (to && one) changes?.change.mutate({ do: 'move', id: one.id, ...to });
  };
  return (
    <Moving what="Objective" onMove={move}>
      <div className={rows.length > LONG ? 'held-heads' : 'overflow-x-auto'}>
        <table className={`ledger ${columns.length > 7 ? 'many' : ''} ${isLarge ? 'large' : ''}`}>
          <KindHeads kinds={columns} sum="all" />
          <tbody>
            {rows.map((row, i) => (
              <Fragment key={row.objective.id}>
                <ObjectiveRow {...{ i, bank, by, row, rows, columns, blueprint, mayWrite: changes !== null }}>
                  {changes && row.objective.id !== 0 && (
                    <ObjectiveMenu
                      {...{ i, objectives, objective: row.objective, changes }}
                      onDo={(what) => setDoing({ id: row.objective.id, what })}
                    />
                  )}
                </ObjectiveRow>
                {form(row.objective, total([row.cells]).all)}
              </Fragment>
            ))}
            {form(null, 0)}
            {rows.length > 0 && <SumRow {...{ bank, by, rows, columns }} />}
          </tbody>
        </table>
      </div>
      {changes && (
        <p className="pt-2">
          {doing?.id !== -1 && (
            <button className="act mr-4" onClick={() => setDoing({ id: -1, what: 'add' })}>
              Add an objective
            </button>
          )}
          {changes.last && (
            <span role="status">
              {changes.last.words}{' '}
              <button className="act" title="Ctrl Z" disabled={changes.undo.isPending} onClick={changes.undoLast}>
                undo
              </button>
            </span>
          )}
          {(changes.undo.error ?? (doing === null ? changes.change.error : null)) && (
            <span className="notice ml-3" role="alert">
              {errorWords(changes.undo.error ?? changes.change.error)}
            </span>
          )}
        </p>
      )}
    </Moving>
  );
}

const total = (cells: BoardRow['cells'][], kind?: string) =>
  cells
    .flatMap((row) => Object.entries(row).filter(([k]) => kind === undefined || k === kind))
    .reduce((sum, [, cell]) => ({ cleared: sum.cleared + cell.cleared, all: sum.all + cell.all - (cell.leaving ?? 0) }), {
      cleared: 0,
      all: 0,
    });

const leaving = (cell: Schema['Cell']) => (cell.leaving ? `, ${cell.leaving} of them being moved elsewhere` : '');

function ObjectiveRow(props: {
  i: number;
  bank: number;
  row: BoardRow;
  rows: BoardRow[];
  by: By;
  columns: string[];
  blueprint: Schema['Blueprint'] | undefined;
  mayWrite: boolean;
  children: ReactNode;
}) {
  const { i, bank, by, row, rows, columns, blueprint, mayWrite, children } = props;
  const { objective, cells } = row;
  const { ref, isOver } = useDropPlace(i, !mayWrite || objective.id === 0);
  const below = rows.filter((r) => r.objective.path === objective.path || r.objective.path.startsWith(`${objective.path} > `));
  const isLeaf = below.length === 1;
  return (
    <tr ref={ref} className={isOver ? 'drop-here' : ''}>
      <th scope="row" style={{ paddingLeft: 10 + 20 * objective.depth }}>
        {children}
        <Link
          className={`text-ink no-underline hover:underline ${objective.depth === 0 ? 'font-semibold' : ''}`}
          to={`/banks/${bank}/questions?objective=${objective.id}`}
          title={objective.description || undefined}
        >
          {objective.code && <span className="fig mr-2 font-normal text-quiet">{objective.code}</span>}
          {objective.name}
        </Link>
      </th>
      {columns.map((column) => {
        const cell = cells[column];
        const need = by === 'kind' && cell ? needOf(blueprint, objective.path, column) : 'none';
        return (
          <td key={column} className={`c ${need === 'thin' ? 'thin' : need === 'covered' ? 'covered' : ''}`}>
            {cell ? (
              <Link
                to={`/banks/${bank}/questions?objective=${objective.id}&${by}=${encodeURIComponent(column === 'not said' ? 'none' : column)}`}
                aria-label={`${objective.name}, ${column}: ${cell.cleared} of ${cell.all} cleared${leaving(cell)}`}
                title={leaving(cell) === '' ? undefined : `${cell.leaving ?? 0} dealt from here until the draft elsewhere is cleared`}
              >
                {by === 'status' ? cell.all : cell.cleared === 0 ? '·' : cell.cleared}
                {by !== 'status' && <small>/{cell.all}</small>}
              </Link>
            ) : (
              isLeaf && <EmptyCell {...{ bank, objective, kind: column, mayWrite: mayWrite && by === 'kind' }} />
            )}
          </td>
        );
      })}
      <Sum {...total(below.map((r) => r.cells))} />
    </tr>
  );
}

/** Nothing is here yet: an author writes the first one from it. */
function EmptyCell({ bank, objective, kind, mayWrite }: { bank: number; objective: Schema['Objective']; kind: string; mayWrite: boolean }) {
  if (!mayWrite) return '·';
  return (
    <Link
      className="writes"
      to={`/banks/${bank}/questions/new?objective=${encodeURIComponent(objective.path)}&kind=${kind}`}
      aria-label={`${objective.name}, ${kind}: none; write one`}
      title="write one"
    >
      ·
    </Link>
  );
}

function SumRow({ bank, by, rows, columns }: { bank: number; by: By; rows: BoardRow[]; columns: string[] }) {
  return (
    <tr className="sum">
      <th scope="row">
        <Link className="text-ink no-underline hover:underline" to={`/banks/${bank}/questions`}>
          all
        </Link>
      </th>
      {columns.map((column) => (
        <Sum
          key={column}
          alone={by === 'status'}
          {...total(
            rows.map((r) => r.cells),
            column,
          )}
        />
      ))}
      <Sum {...total(rows.map((r) => r.cells))} />
    </tr>
  );
}

function Sum({ cleared, all, alone = false }: { cleared: number; all: number; alone?: boolean }) {
  return (
    <td className="c">
      {alone ? all : cleared}
      {!alone && <small>/{all}</small>}
    </td>
  );
}
