import { useState } from 'react';
import type { Schema } from '../../api/client';
import { KindHeads } from '../bank/board/KindHeads';
import type { Blueprint, Document } from './document';
import { taken, withCell } from './quota';
import { quota } from './typed';

type BoardRow = Schema['Board']['rows'][number];

/** Objective × kind: a number typed in a cell becomes a draw; the sums stand at the edges. */
export function QuotaBoard(props: { blueprint: Blueprint; document: Document; onChange: (document: Document) => void; readOnly: boolean }) {
  const { blueprint, document, onChange, readOnly } = props;
  const { kinds, rows } = blueprint.board;
  const order = rows.map((row) => row.objective.path);
  const shown = rows.filter((row) => row.objective.path !== '');
  const sum = (path?: string, kind?: string) =>
    shown
      .filter((row) => path === undefined || row.objective.path === path)
      .reduce(
        (all, row) =>
          all + kinds.filter((k) => kind === undefined || k === kind).reduce((n, k) => n + taken(document, row.objective.path, k), 0),
        0,
      );
  // With many kinds the numbers stand closer, as on the bank's board.
  const many = kinds.length > 7;
  return (
    <div className="held-heads">
      <table className={many ? 'ledger many' : 'ledger'}>
        <KindHeads kinds={kinds} sum="drawn" />
        <tbody>
          {shown.map((row) => (
            <tr key={row.objective.id}>
              <th
                scope="row"
                style={{ paddingLeft: 10 + 20 * row.objective.depth }}
                className={row.objective.depth === 0 ? 'font-semibold!' : ''}
              >
                {row.objective.name}
              </th>
              {kinds.map((kind) => (
                <QuotaCell
                  key={kind}
                  label={`${row.objective.name}, ${kind}`}
                  take={taken(document, row.objective.path, kind)}
                  fit={cleared(rows, row, kind)}
                  readOnly={readOnly}
                  many={many}
                  onChange={(n) => onChange(withCell(document, row.objective.path, kind, n, order))}
                />
              ))}
              <td className="c">{sum(row.objective.path) || ''}</td>
            </tr>
          ))}
          <tr className="sum">
            <th scope="row">drawn</th>
            {kinds.map((kind) => (
              <td key={kind} className="c">
                {sum(undefined, kind) || ''}
              </td>
            ))}
            <td className="c">{sum()}</td>
          </tr>
        </tbody>
      </table>
    </div>
  );
}

/** Cleared questions of a kind at an objective and below it. */
function cleared(rows: BoardRow[], row: BoardRow, kind: string): number {
  const { path } = row.objective;
  return rows
    .filter((r) => r.objective.path === path || r.objective.path.startsWith(`${path} > `))
    .reduce((sum, r) => sum + (r.cells[kind]?.cleared ?? 0), 0);
}

function QuotaCell(props: {
  label: string;
  take: number;
  fit: number;
  readOnly: boolean;
  many: boolean;
  onChange: (take: number) => void;
}) {
  const { label, take, fit, readOnly, many, onChange } = props;
  const [typed, setTyped] = useState<string | null>(null);
  const [refused, setRefused] = useState<string | null>(null);
  const done = () => {
    if (typed === null) return;
    const found = quota(typed);
    setRefused('why' in found ? found.why : null);
    if ('why' in found) return;
    setTyped(null);
    if (found.take !== take) onChange(found.take);
  };
  const tint = take === 0 ? '' : take >= fit ? 'thin' : 'covered';
  return (
    <td className={`c relative ${tint}`} title={take > fit ? `asks for ${take}, ${fit} fit` : undefined}>
      <input
        className={`${many ? 'w-5' : 'w-7'} text-right font-semibold outline-none focus:bg-(--copper-tint)`}
        inputMode="numeric"
        aria-label={`${label}: take, of ${fit}`}
        readOnly={readOnly}
        value={typed ?? (take || '')}
        aria-invalid={refused !== null}
        onChange={(e) => {
          setTyped(e.target.value);
          setRefused(null);
        }}
        onBlur={done}
        onKeyDown={(e) => {
          if (e.key === 'Enter') e.currentTarget.blur();
          if (e.key === 'Escape') {
            setTyped(null);
            setRefused(null);
          }
        }}
      />
      {refused !== null && (
        <span className="cell-notice" role="alert">
          {refused}
        </span>
      )}
      <small className={take > fit ? 'text-wrong!' : ''}>{many ? `/${fit}` : ` of ${fit}`}</small>
    </td>
  );
}
