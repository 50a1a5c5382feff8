import { useState } from 'react';
import { Link } from 'react-router';
import { duration, figure } from '../../parts/text/figures';
import { shortDay, timeOfDay } from '../../parts/text/moments';
import { type Order, orders, type Results, type SittingRow } from './results';
import { StaffActions } from './StaffActions';

interface Props {
  data: Results;
  rows: SittingRow[];
  order: Order;
  onOrder: (order: Order) => void;
}

/** Sittings, one in a row: put in order by any head, each with the way to its paper and what staff can do. */
export function SittingsTable({ data, rows, order, onOrder }: Props) {
  const [open, setOpen] = useState<number | null>(null);
  const hasPaths = rows.some((row) => row.path !== '');
  const heads = orders.filter((head) => !isEmpty(head, data, rows));
  const width = heads.length + data.tallies.length + (hasPaths ? 1 : 0) + 1;
  return (
    <div className="relative overflow-x-auto">
      <table className="ledger">
        <thead>
          <tr>
            {heads.map((head) => (
              <th
                key={head}
                scope="col"
                className={atDesk.includes(head) ? 'max-sm:hidden' : ''}
                aria-sort={order.by === head ? (order.down ? 'descending' : 'ascending') : 'none'}
              >
                <button
                  className="hover:underline"
                  onClick={() => onOrder({ by: head, down: order.by === head ? !order.down : head !== 'candidate' })}
                >
                  {head}
                  {order.by === head && <span aria-hidden> {order.down ? '↓' : '↑'}</span>}
                </button>
              </th>
            ))}
            {data.tallies.map((tally) => (
              <th key={tally} scope="col" className="max-sm:hidden">
                {tally}
              </th>
            ))}
            {hasPaths && (
              <th scope="col" className="max-sm:hidden">
                path
              </th>
            )}
            <th scope="col">
              <span className="sr-only">what staff can do</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => [
            <tr key={row.id}>
              <th scope="row" className="sm:whitespace-nowrap">
                {row.ended === null ? (
                  row.candidate
                ) : (
                  <Link className="act" to={`/papers/${row.id}`}>
                    {row.candidate}
                  </Link>
                )}
                <Narrow row={row} judged={heads.includes('passed')} />
              </th>
              <td className="text-right whitespace-nowrap max-sm:hidden">{began(row)}</td>
              {row.ended === null ? <Running row={row} of={data.questions} wide={heads.length - 2} /> : <Ended row={row} heads={heads} />}
              {data.tallies.map((tally) => {
                const band = row.bands.find((one) => one.tally === tally);
                return (
                  <td key={tally} className="text-right max-sm:hidden">
                    {band && (
                      <>
                        <span className="fig">{figure(band.value)}</span> {band.band}
                      </>
                    )}
                  </td>
                );
              })}
              {hasPaths && <td className="text-right whitespace-nowrap max-sm:hidden">{row.path}</td>}
              <td className="text-right">
                <button
                  className="act text-sm"
                  aria-expanded={open === row.id}
                  aria-label={`What staff can do for ${row.candidate}`}
                  onClick={() => setOpen(open === row.id ? null : row.id)}
                >
                  {open === row.id ? 'put away' : 'more'}
                </button>
              </td>
            </tr>,
            open === row.id && (
              <tr key={`${row.id} staff`}>
                <td colSpan={width} className="bg-tint">
                  <StaffActions edition={data.edition.id} row={row} onDone={() => setOpen(null)} />
                </td>
              </tr>
            ),
          ])}
          {rows.length === 0 && (
            <tr>
              <td colSpan={width}>No sitting is like that.</td>
            </tr>
          )}
        </tbody>
      </table>
    </div>
  );
}

/** Heads that stand beneath the candidate on a phone. */
const atDesk: Order['by'][] = ['began', 'took', 'passed'];

const began = (row: SittingRow) => (row.began === null ? '' : `${shortDay(row.began)}, ${timeOfDay(row.began)}`);
const took = (row: SittingRow) => (row.seconds === null ? '' : duration(row.seconds));
const judgedWords = ({ passed }: SittingRow) => (passed === null ? '–' : passed ? 'passed' : 'not passed');

/** On a phone, beneath the candidate: what has columns of its own at a desk. */
function Narrow({ row, judged }: { row: SittingRow; judged: boolean }) {
  const parts = [
    began(row),
    took(row),
    row.how !== null && ends[row.how],
    row.ended !== null && judged && judgedWords(row),
    row.missed.length > 0 && `below the minimum in ${row.missed.join(', ')}`,
    ...row.bands.map(({ tally, value, band }) => `${tally} ${figure(value)}${band === null ? '' : ` ${band}`}`),
    row.path,
  ];
  return <span className="block text-sm font-normal text-quiet sm:hidden">{parts.filter(Boolean).join(' · ')}</span>;
}

/** What has nothing to tell in any row: points where nothing is graded, passed where there is no pass mark. */
function isEmpty(head: Order['by'], data: Results, rows: SittingRow[]): boolean {
  if (head === 'passed') return data.pass === null;
  return (head === 'points' || head === '%') && rows.length > 0 && rows.every((row) => row.ended !== null && Number(row.max) === 0);
}

function Running({ row, of, wide }: { row: SittingRow; of: number; wide: number }) {
  return (
    <td colSpan={wide} className="text-right">
      is sitting: <b className="fig">{row.answered ?? 0}</b> of {of} answered
      {row.lastSign !== null && <span className="text-quiet">, last sign {timeOfDay(row.lastSign)}</span>}
    </td>
  );
}

/** How it ended, where it was not handed in. */
const ends: Record<string, string> = { 'whole ran out': 'time ran out', until: 'it closed', 'closed by staff': 'closed by staff' };

function Ended({ row, heads }: { row: SittingRow; heads: Order['by'][] }) {
  return (
    <>
      <td className="text-right whitespace-nowrap max-sm:hidden">
        {took(row)}
        {row.how !== null && ends[row.how] && <span className="block text-sm text-quiet">{ends[row.how]}</span>}
      </td>
      {heads.includes('points') && (
        <td className="c">
          {figure(row.earned ?? '')}
          <small> of {row.max}</small>
        </td>
      )}
      {heads.includes('%') && <td className="c">{row.percent ?? ''}</td>}
      {heads.includes('passed') && (
        <td className={`text-right max-sm:hidden ${row.missed.length > 0 ? 'min-w-44' : ''}`}>
          {judgedWords(row)}
          {row.missed.length > 0 && <span className="block text-sm text-quiet">below the minimum in {row.missed.join(', ')}</span>}
        </td>
      )}
    </>
  );
}
