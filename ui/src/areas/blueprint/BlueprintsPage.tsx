import { useChanged } from '../../api/changed';
import { keys } from '../../api/keys';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { api, dataOf, errorWords, type Schema } from '../../api/client';
import { blueprintsQuery } from '../../api/queries';
import { count, points } from '../../parts/text/figures';
import { Row, PageAndMargin } from '../../parts/PageAndMargin';
import { Confirm } from '../../parts/fields/Confirm';
import { Waiting } from '../../parts/Waiting';
import { type Account, mayEdit } from '../people/session';
import { StillSitting } from './editions/StillSitting';

/** All blueprints of a bank, one row each. */
export default function BlueprintsPage({ account }: { account: Account }) {
  const bank = Number(useParams().bank);
  const navigate = useNavigate();
  const changed = useChanged();
  const [title, setTitle] = useState('');
  const list = useQuery(blueprintsQuery(bank));
  // What forms come to takes longer than the list, which does not wait for it.
  const worths = useQuery({
    queryKey: keys.blueprints(bank, 'points'),
    queryFn: () => dataOf(api.GET('/banks/{id}/blueprints/points', { params: { path: { id: bank } } })),
    enabled: list.data !== undefined,
    staleTime: 0,
  });
  const make = useMutation({
    mutationFn: () => dataOf(api.POST('/banks/{id}/blueprints', { params: { path: { id: bank } }, body: { title } })),
    onSuccess: (blueprint) => {
      void changed('blueprints');
      void navigate(String(blueprint.id));
    },
  });
  if (!list.data) return <Waiting error={list.error} retry={() => void list.refetch()} />;
  const { blueprints } = list.data;
  return (
    <PageAndMargin label="Blueprints">
      <Row className="pt-4 pb-3" page={<h1 className="title">{count(blueprints.length, 'blueprint')}</h1>} />
      {blueprints.map((b) => (
        <Row
          key={b.id}
          line
          page={
            <Link to={String(b.id)} className="font-reading text-[17px] text-ink no-underline hover:underline">
              {b.title}
            </Link>
          }
          margin={
            <>
              <p>
                <b className="fig">{b.questions}</b> {b.questions === 1 ? 'question' : 'questions'}
                <Points worth={worths.data?.points[b.id] ?? null} /> ·{' '}
                {b.putAway ? 'put away' : b.edition === null ? 'no edition yet' : `edition ${b.edition} in use`}
                {b.sittings > 0 && ` · ${count(b.sittings, 'sitting')}`}
                {b.running.map(({ edition, sittings }) => (
                  <span key={edition}>
                    {' · '}
                    <Link className="act" to={`${b.id}/editions/${edition}/results`}>
                      {sittings} being sat now
                    </Link>
                  </span>
                ))}
              </p>
              {mayEdit(account) && <CopyOrDelete bank={bank} blueprint={b} />}
            </>
          }
        />
      ))}
      {mayEdit(account) && (
        <Row
          line
          page={
            <form
              className="flex flex-wrap items-baseline gap-3 py-1"
              onSubmit={(e) => {
                e.preventDefault();
                make.mutate();
              }}
            >
              <input
                className="field w-80"
                aria-label="Title of a new blueprint"
                placeholder="title of a new blueprint"
                value={title}
                onChange={(e) => setTitle(e.target.value)}
              />
              <button className="btn" disabled={title.trim() === '' || make.isPending}>
                Begin a blueprint
              </button>
              {make.error && (
                <span className="notice" role="alert">
                  {errorWords(make.error)}
                </span>
              )}
            </form>
          }
        />
      )}
    </PageAndMargin>
  );
}

function Points({ worth }: { worth: { least: string; most: string } | null }) {
  if (!worth) return null;
  return (
    <>
      , <b className="fig">{worth.least === worth.most ? worth.least : `${worth.least} to ${worth.most}`}</b> {points(worth.most)}
    </>
  );
}

/** What can be done with a blueprint from outside; one that is sat stays. */
function CopyOrDelete({ bank, blueprint }: { bank: number; blueprint: Schema['BlueprintRow'] }) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const changed = useChanged();
  const path = { params: { path: { id: blueprint.id } } };
  const copy = useMutation({
    mutationFn: () => dataOf(api.POST('/blueprints/{id}/copies', path)),
    onSuccess: (made) => {
      void changed('blueprints');
      void navigate(String(made.id));
    },
  });
  const remove = useMutation({
    mutationFn: () => dataOf(api.DELETE('/blueprints/{id}', path)),
    onSuccess: (left) => queries.setQueryData(blueprintsQuery(bank).queryKey, left),
  });
  const away = useMutation({
    mutationFn: (body: { putAway: boolean; sittings?: boolean }) => dataOf(api.PUT('/blueprints/{id}/put-away', { ...path, body })),
    onSuccess: (left) => queries.setQueryData(blueprintsQuery(bank).queryKey, left),
  });
  const error = copy.error ?? away.error;
  return (
    <div className="flex flex-wrap gap-x-4">
      <button className="act" disabled={copy.isPending} onClick={() => copy.mutate()} aria-label={`Copy ${blueprint.title}`}>
        copy
      </button>
      {blueprint.putAway ? (
        <button
          className="act"
          disabled={away.isPending}
          onClick={() => away.mutate({ putAway: false })}
          aria-label={`Take out again: ${blueprint.title}`}
        >
          take out again
        </button>
      ) : (
        <StillSitting
          running={blueprint.running.reduce((sum, { sittings }) => sum + sittings, 0)}
          words="put away"
          label={`Put away: ${blueprint.title}`}
          pending={away.isPending}
          onClose={(sittings) => away.mutate({ putAway: true, sittings })}
        />
      )}
      {blueprint.edition === null && (
        <Confirm
          ask="delete"
          act={`delete “${blueprint.title}”`}
          afterwards="Its rehearsals go with it, and it cannot be brought back."
          pending={remove.isPending}
          error={remove.error}
          onSure={() => remove.mutate()}
        />
      )}
      {error && (
        <span className="notice" role="alert">
          {errorWords(error)}
        </span>
      )}
    </div>
  );
}
