import { keys } from '../../api/keys';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { type RefObject, useRef, useState } from 'react';
import { api, errorWords, dataOf } from '../../api/client';
import { count } from '../../parts/text/figures';
import type { Blueprint } from './document';

/** Freezing an edition, asked about in place with what will happen; and withdrawing one that nobody has begun. */
export function Editions({ blueprint, versionRef, busy }: { blueprint: Blueprint; versionRef: RefObject<number>; busy: boolean }) {
  const queries = useQueryClient();
  const [asked, setAsked] = useState(false);
  const pressed = useRef(false);
  const again = () => queries.invalidateQueries({ queryKey: keys.blueprint(blueprint.id) });
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
  const withdraw = useMutation({
    mutationFn: (id: number) => dataOf(api.DELETE('/editions/{id}', { params: { path: { id } } })),
    onSuccess: () => {
      freeze.reset();
      return again();
    },
  });
  const next = (blueprint.editions[0]?.number ?? 0) + 1;
  const latest = blueprint.editions.find((edition) => !edition.withdrawn);
  const error = freeze.error ?? withdraw.error;
  return (
    <div className="mb-4 space-y-1">
      {asked ? (
        <p role="alert">
          {blueprint.candidates === 0
            ? 'There is no candidate yet who could begin it.'
            : `${count(blueprint.candidates, 'candidate')} will be able to begin it.`}{' '}
          {latest && `Nobody can begin edition ${latest.number} any more; whoever has begun it goes on. `}
          What you change later goes into the next one.{' '}
          <button className="btn" disabled={busy || freeze.isPending} ref={(b) => b?.focus()} onClick={freezeOnce}>
            Freeze it
          </button>{' '}
          <button className="act ml-2" onClick={() => setAsked(false)}>
            not now
          </button>
        </p>
      ) : (
        <p>
          <button
            className="act"
            disabled={busy || freeze.isPending}
            onClick={() => {
              freeze.reset();
              withdraw.reset();
              setAsked(true);
            }}
          >
            Freeze edition {next} …
          </button>
        </p>
      )}
      {latest && (
        <p>
          Edition {latest.number}:{' '}
          {latest.begun === 0 ? 'nobody has begun it' : `${count(latest.begun ?? 0, 'candidate has', 'candidates have')} begun it`}
          {latest.begun === 0 && (
            <>
              {' '}
              <button className="act ml-2" disabled={busy || withdraw.isPending} onClick={() => withdraw.mutate(latest.id)}>
                Withdraw it
              </button>
            </>
          )}
        </p>
      )}
      {freeze.data && (
        <p role="status">
          Edition <b>{freeze.data.number}</b> is frozen; candidates find it in their list.
        </p>
      )}
      {withdraw.data && <p role="status">It is withdrawn; candidates no longer find it.</p>}
      {error && (
        <p className="notice" role="alert">
          {errorWords(error)}
        </p>
      )}
    </div>
  );
}
