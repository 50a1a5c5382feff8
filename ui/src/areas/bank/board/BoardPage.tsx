import { keys } from '../../../api/keys';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { api, type Schema, dataOf } from '../../../api/client';
import { blueprintsQuery, boardQuery } from '../../../api/queries';
import { Row, PageAndMargin } from '../../../parts/PageAndMargin';
import { EditableChoice } from '../../../parts/fields/Editable';
import { Waiting } from '../../../parts/Waiting';
import { LastIntake } from './LastIntake';
import { KindHeads } from './KindHeads';
import { cellOf, needOf } from './coverage';

type BoardRow = Schema['Board']['rows'][number];

/** The map of everything: objective × kind, tinted where an assessment takes from. */
export default function BoardPage() {
  const bank = Number(useParams().bank);
  const board = useQuery(boardQuery(bank));
  const blueprints = useQuery(blueprintsQuery(bank));
  const [shown, setShown] = useState<number | null>(null);
  const list = blueprints.data?.blueprints ?? [];
  const chosen = (list.find((b) => b.id === shown) ?? list[0])?.id;
  const needed = useQuery({
    queryKey: keys.blueprint(chosen),
    queryFn: () => dataOf(api.GET('/blueprints/{id}', { params: { path: { id: chosen ?? 0 } } })),
    enabled: chosen !== undefined,
    placeholderData: keepPreviousData,
  });
  const blueprint = chosen === undefined ? undefined : needed.data;
  if (!board.data) return <Waiting error={board.error} retry={() => void board.refetch()} />;
  const { kinds, rows } = board.data;
  return (
    <PageAndMargin label="Board">
      <Row
        className="pt-4"
        page={
          <h1>
            <span className="title">The bank by objective and kind</span>{' '}
            <span className="path ml-2">
              cleared / all
              {blueprint && (
                <>
                  {' · showing the need of '}
                  <EditableChoice
                    label="Assessment"
                    value={String(blueprint.id)}
                    options={list.map((b) => ({ value: String(b.id), words: b.title }))}
                    onChange={(id) => setShown(Number(id))}
                  />
                </>
              )}
            </span>
          </h1>
        }
      />
      <Row
        page={
          rows.length === 0 ? (
            <p className="py-3">
              This bank is empty. <Link to="intake">Bring in a text file</Link>, or <Link to="questions/new">write a first question</Link>.
            </p>
          ) : (
            <div className="overflow-x-auto">
              <table className={kinds.length > 7 ? 'ledger many' : 'ledger'}>
                <KindHeads kinds={kinds} sum="all" />
                <tbody>
                  {rows.map((row) => (
                    <ObjectiveRow key={row.objective.id} bank={bank} row={row} rows={rows} kinds={kinds} blueprint={blueprint} />
                  ))}
                  <SumRow bank={bank} rows={rows} kinds={kinds} />
                </tbody>
              </table>
            </div>
          )
        }
        margin={
          <>
            {blueprint && <h2 className="head mb-1">what it takes</h2>}
            {blueprint && <Need blueprint={blueprint} bank={bank} />}
            <h2 className="head mt-5">today</h2>
            <p>
              {board.data.inReview === 0 ? (
                'No question is in review.'
              ) : (
                <Link className="act" to="questions?status=in review">
                  {board.data.inReview} in review
                </Link>
              )}
            </p>
            <p className="pt-2">
              <Link className="act" to="proofreading">
                Proofread the bank
              </Link>{' '}
              &ensp;
              <Link className="act" to="settings">
                Settings of the bank
              </Link>
            </p>
            <LastIntake bank={bank} />
          </>
        }
      />
    </PageAndMargin>
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
  bank: number;
  row: BoardRow;
  rows: BoardRow[];
  kinds: string[];
  blueprint: Schema['Blueprint'] | undefined;
}) {
  const { bank, row, rows, kinds, blueprint } = props;
  const { objective, cells } = row;
  const below = rows.filter((r) => r.objective.path === objective.path || r.objective.path.startsWith(`${objective.path} > `));
  const isLeaf = below.length === 1;
  return (
    <tr>
      <th scope="row" style={{ paddingLeft: 10 + 20 * objective.depth }}>
        <Link
          className={`text-ink no-underline hover:underline ${objective.depth === 0 ? 'font-semibold' : ''}`}
          to={`/banks/${bank}/questions?objective=${objective.id}`}
        >
          {objective.name}
        </Link>
      </th>
      {kinds.map((kind) => {
        const cell = cells[kind];
        const need = (isLeaf || cell) && cell ? needOf(blueprint, objective.path, kind) : 'none';
        return (
          <td key={kind} className={`c ${need === 'thin' ? 'thin' : need === 'covered' ? 'covered' : ''}`}>
            {cell ? (
              <Link
                to={`/banks/${bank}/questions?objective=${objective.id}&kind=${kind}`}
                aria-label={`${objective.name}, ${kind}: ${cell.cleared} of ${cell.all} cleared${leaving(cell)}`}
                title={leaving(cell) === '' ? undefined : `${cell.leaving ?? 0} dealt from here until the draft elsewhere is cleared`}
              >
                {cell.cleared === 0 ? '·' : cell.cleared}
                <small>/{cell.all}</small>
              </Link>
            ) : (
              isLeaf && '·'
            )}
          </td>
        );
      })}
      <Sum {...total(below.map((r) => r.cells))} />
    </tr>
  );
}

function SumRow({ bank, rows, kinds }: { bank: number; rows: BoardRow[]; kinds: string[] }) {
  return (
    <tr className="sum">
      <th scope="row">
        <Link className="text-ink no-underline hover:underline" to={`/banks/${bank}/questions`}>
          all
        </Link>
      </th>
      {kinds.map((kind) => (
        <Sum
          key={kind}
          {...total(
            rows.map((r) => r.cells),
            kind,
          )}
        />
      ))}
      <Sum {...total(rows.map((r) => r.cells))} />
    </tr>
  );
}

function Sum({ cleared, all }: { cleared: number; all: number }) {
  return (
    <td className="c">
      {cleared}
      <small>/{all}</small>
    </td>
  );
}

function Need({ blueprint, bank }: { blueprint: Schema['Blueprint']; bank: number }) {
  const draws = blueprint.plan.steps.filter((step) => step.draw);
  const { shortage } = blueprint.proof;
  if (draws.length === 0) return <p>It draws nothing yet.</p>;
  const byObjective = new Map<string, { take: number; kind: string; fit: number; thin: boolean }[]>();
  draws.forEach((step, i) => {
    const proof = blueprint.proof.draws[i];
    const cell = cellOf(step);
    const name = cell?.path.split(' > ').at(-1) ?? proof?.words ?? '';
    const fit = proof?.fit ?? 0;
    const take = step.draw?.take ?? 0;
    const thin = take >= fit || (shortage?.draws.includes(i + 1) ?? false);
    byObjective.set(name, [...(byObjective.get(name) ?? []), { take, kind: cell?.kind ?? '', fit, thin }]);
  });
  return (
    <>
      <table className="w-full">
        <tbody>
          {Array.from(byObjective, ([name, list]) => (
            <tr key={name} className={`border-b border-rule ${list.some((d) => d.thin) ? 'text-wrong' : ''}`}>
              <td className="py-1 pr-2">{name}</td>
              <td className="fig py-1 text-right">
                {list.map((d, i) => (
                  <span key={i}>
                    {i > 0 && ' + '}
                    {d.take} {d.kind}
                    {d.thin && `, ${d.fit} ${d.fit === 1 ? 'fits' : 'fit'}`}
                  </span>
                ))}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {shortage && <p className="mt-3 text-wrong">{shortage.words} No form can be dealt.</p>}
      <p className="mt-3">
        <Link className="act" to={`/banks/${bank}/blueprints/${blueprint.id}`}>
          Open the blueprint
        </Link>
      </p>
    </>
  );
}
