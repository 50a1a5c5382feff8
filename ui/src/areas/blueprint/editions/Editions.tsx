import { useChanged } from '../../../api/changed';
import { keys } from '../../../api/keys';
import { useMutation, useQuery } from '@tanstack/react-query';
import { type RefObject, useRef, useState } from 'react';
import { Link } from 'react-router';
import { api, errorWords, dataOf } from '../../../api/client';
import { count } from '../../../parts/text/figures';
import type { Blueprint } from '../document';
import { Differing } from './Differing';
import { howMany, useAdmission } from '../admission/useAdmission';

/** Editions that are listed at once. */
const FEW = 3;

/** The editions there are; and freezing the next one, asked about in place with what it brings and what will happen. */
export function Editions({ blueprint, versionRef, busy }: { blueprint: Blueprint; versionRef: RefObject<number>; busy: boolean }) {
  const changed = useChanged();
  const [asked, setAsked] = useState(false);
  const [all, setAll] = useState(false);
  const pressed = useRef(false);
  const again = () => changed('blueprint', blueprint.id);
  const freeze = useMutation({
    mutationFn: () =>
      dataOf(api.POST('/blueprints/{id}/editions', { params: { path: { id: blueprint.id } }, body: { version: versionRef.current } })),
    onSuccess: again,
    onSettled: () => {
      pressed.current = false;
      setAsked(false);
    },
  });
  const freezeOnce = () => {
    if (!pressed.current) freeze.mutate();
    pressed.current = true;
  };
  const differences = useQuery({
    queryKey: keys.edition('next', blueprint.id, blueprint.version),
    queryFn: () => dataOf(api.GET('/blueprints/{id}/differences', { params: { path: { id: blueprint.id } } })),
    enabled: asked && !busy,
    staleTime: 0,
  });
  const { admission, groups } = useAdmission(blueprint.id);
  const may = admission ? howMany(admission, groups, blueprint.candidates) : null;
  const who =
    may === null
      ? ''
      : may === 0
        ? admission?.code
          ? 'Nobody is named; whoever comes with the code will be able to begin it.'
          : 'Nobody is named yet who could begin it.'
        : `${count(may, 'candidate')} will be able to begin it${admission?.code ? ', and whoever comes with the code' : ''}.`;
  const next = (blueprint.editions[0]?.number ?? 0) + 1;
  const latest = blueprint.editions.find((edition) => !edition.withdrawn);
  return (
    <div className="mb-4 space-y-1">
      {asked ? (
        <div role="alert">
          {who} {latest && `Nobody can begin edition ${latest.number} any more; whoever has begun it goes on. `}
          What you change later goes into the next one.{' '}
          <button className="btn" disabled={busy || freeze.isPending} ref={(b) => b?.focus()} onClick={freezeOnce}>
            Freeze it
          </button>{' '}
          <button className="act ml-2" onClick={() => setAsked(false)}>
            not now
          </button>
          {latest && (
            <div className="mt-2">
              Since edition {latest.number}: {differences.isPending && 'compared …'}
              {differences.error && <span className="text-wrong">{errorWords(differences.error)}</span>}
              {differences.data?.differences && <Differing bank={blueprint.bank.id} differences={differences.data.differences} />}
            </div>
          )}
        </div>
      ) : (
        <p>
          <button
            className="act"
            disabled={busy || freeze.isPending}
            onClick={() => {
              freeze.reset();
              setAsked(true);
            }}
          >
            Freeze edition {next} …
          </button>
        </p>
      )}
      {freeze.data && (
        <p role="status">
          Edition <b>{freeze.data.number}</b> is frozen; candidates find it in their list.
        </p>
      )}
      {freeze.error && (
        <p className="notice" role="alert">
          {errorWords(freeze.error)}
        </p>
      )}
      {blueprint.editions.length > 0 && (
        <ul aria-label="Editions">
          {blueprint.editions.slice(0, all ? undefined : FEW).map((edition) => (
            <li key={edition.id}>
              <Link to={`/banks/${blueprint.bank.id}/blueprints/${blueprint.id}/editions/${edition.id}`}>Edition {edition.number}</Link>{' '}
              <span className="text-quiet">
                {edition === latest && !edition.closed ? 'in use' : edition.withdrawn ? 'withdrawn' : edition.closed ? 'closed' : 'before'}{' '}
                ·{' '}
                {edition.begun === 0 ? 'nobody has begun it' : `${count(edition.begun ?? 0, 'candidate has', 'candidates have')} begun it`}
              </span>
              {edition.begun !== 0 && (
                <Link className="act ml-1" to={`/banks/${blueprint.bank.id}/blueprints/${blueprint.id}/editions/${edition.id}/results`}>
                  results
                </Link>
              )}
            </li>
          ))}
        </ul>
      )}
      {blueprint.editions.length > FEW && !all && (
        <button className="act" onClick={() => setAll(true)}>
          all {blueprint.editions.length} editions
        </button>
      )}
    </div>
  );
}
