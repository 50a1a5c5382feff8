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
import { type Account, mayEdit } from '../../people/session';
import { BoardTable, type By, bys } from './BoardTable';
import { cellOf } from './coverage';
import { useObjectiveChanges } from './useObjectiveChanges';
import { useKeys } from '../../../parts/hooks/useKeys';

/** The map of everything: objective × kind, tinted where an assessment takes from. */
export default function BoardPage({ account }: { account: Account }) {
  const bank = Number(useParams().bank);
  const board = useQuery(boardQuery(bank));
  const blueprints = useQuery(blueprintsQuery(bank));
  const [shown, setShown] = useState<number | null>(null);
  const [by, setBy] = useState<By>('kind');
  const other = useQuery({
    queryKey: keys.board(bank, by),
    queryFn: () => dataOf(api.GET('/banks/{id}/board/{by}', { params: { path: { id: bank, by: by === 'kind' ? 'status' : by } } })),
    enabled: by !== 'kind',
  });
  const changes = useObjectiveChanges(bank);
  useKeys((e) => {
    const typing = e.target instanceof HTMLInputElement;
    if (!typing && (e.ctrlKey || e.metaKey) && e.key.toLowerCase() === 'z' && changes.last) {
      e.preventDefault();
      changes.undoLast();
    }
  });
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
            <span className="title">
              The bank by objective and{' '}
              <EditableChoice label="Columns" value={by} options={bys.map((one) => ({ value: one, words: one }))} onChange={setBy} />
            </span>{' '}
            <span className="path ml-2">
              cleared / all
              {blueprint && by === 'kind' && (
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
          <>
            {rows.length === 0 && (
              <p className="py-3">
                This bank is empty. <Link to="intake">Bring in a text file</Link>, or <Link to="questions/new">write a first question</Link>
                , or <Link to="intake?sample">look at the sample</Link>; or begin with its objectives here.
              </p>
            )}
            <BoardTable
              bank={bank}
              by={other.data?.by ?? 'kind'}
              columns={other.data?.columns ?? kinds}
              rows={other.data?.rows ?? rows}
              blueprint={blueprint}
              changes={mayEdit(account) ? changes : null}
            />
          </>
        }
        margin={
          <>
            {blueprint && <h2 className="head mb-1">what it takes</h2>}
            {blueprint && <Need blueprint={blueprint} bank={bank} />}
            <h2 className="head mt-5">today</h2>
            <Work board={board.data} account={account} />
            <p className="acts pt-2">
              {mayEdit(account) && (
                <Link className="act" to="questions/new">
                  Write a question
                </Link>
              )}
              <Link className="act" to="proofreading">
                Proofread the bank
              </Link>
              <Link className="act" to="alike">
                Find alike
              </Link>
              <Link className="act" to="settings">
                Settings of the bank
              </Link>
              <Link className="act" to="history">
                History
              </Link>
            </p>
            <LastIntake bank={bank} />
          </>
        }
      />
    </PageAndMargin>
  );
}

/** What waits, and for whom; each opens the questions it counts. */
function Work({ board, account }: { board: Schema['Board']; account: Account }) {
  const { inReview, openComments = 0, waiting = 0 } = board;
  const lines: [number, string, string][] = [
    [waiting, account.role === 'reviewer' ? 'wait for you' : 'came back to you with a comment', 'waiting=me'],
    [inReview, 'in review', 'status=in review'],
    [openComments, 'with open comments', 'comments=open'],
  ];
  const shown = lines.filter(([n]) => n > 0);
  if (shown.length === 0) return <p>Nothing waits: no question is in review, no comment is open.</p>;
  return shown.map(([n, words, address]) => (
    <p key={address} className="py-0.5">
      <Link className="act" to={`questions?${address}`}>
        {n} {words}
      </Link>
    </p>
  ));
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
