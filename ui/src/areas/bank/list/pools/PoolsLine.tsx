import { useState } from 'react';
import { Link, Navigate } from 'react-router';
import { errorWords } from '../../../../api/client';
import { Confirm } from '../../../../parts/fields/Confirm';
import { Editable } from '../../../../parts/fields/Editable';
import { Row } from '../../../../parts/PageAndMargin';
import { count, grouped } from '../../../../parts/text/figures';
import { statuses } from '../../../../kinds/facts.gen';
import { addressOf, type Filter, sameFilter } from '../filter';
import type { Pool, PoolChanges } from './usePoolChanges';

interface Props {
  bank: number;
  pools: Pool[];
  filter: Filter;
  changes: PoolChanges;
  readOnly: boolean;
}

const addressTo = (bank: number, pool: Pool) =>
  `/banks/${bank}/questions?${pool.filter ? addressOf(pool.filter).toString() : `pool=${pool.id}`}`;

/** The bank's pools by their names, what the open one is, and keeping the filter that stands in the address as another. */
export function PoolsLine({ bank, pools, filter, changes, readOnly }: Props) {
  const [naming, setNaming] = useState(false);
  const open = pools.find((pool) => (pool.filter ? sameFilter(pool.filter, filter) : sameFilter({ pool: pool.id }, filter)));
  const asked = pools.find(({ id }) => id === filter.pool);
  // Found by its name: what it holds is another address.
  if (asked?.filter) return <Navigate replace to={addressTo(bank, asked)} />;
  const narrowed = Object.keys(filter).length > 0;
  const mayKeep = !readOnly && narrowed && !open && filter.pool === undefined && filter.waiting === undefined;
  const error = changes.change.error ?? changes.undo.error;
  if (pools.length === 0 && !mayKeep && !changes.last) return null;
  return (
    <Row
      className="pb-2"
      page={
        <div className="text-sm">
          <span className="text-quiet">pools</span>{' '}
          {pools.map((pool) => (
            <span key={pool.id}>
              <Link
                className={`mr-3 whitespace-nowrap ${pool === open ? 'font-semibold' : 'act'}`}
                aria-current={pool === open ? 'true' : undefined}
                to={pool === open ? `/banks/${bank}/questions` : addressTo(bank, pool)}
                title={pool === open ? 'back to all questions' : undefined}
              >
                {pool.name} <span className="fig text-quiet">{grouped(pool.questions)}</span>
              </Link>{' '}
            </span>
          ))}
          {pools.length === 0 && !mayKeep && <span className="text-quiet">none yet</span>}
          {mayKeep &&
            (naming ? (
              <NameIt pools={pools} filter={filter} changes={changes} onDone={() => setNaming(false)} />
            ) : (
              <button className="act" onClick={() => setNaming(true)}>
                keep this filter as a pool
              </button>
            ))}
        </div>
      }
      margin={
        <>
          {error && (
            <p className="notice" role="alert">
              {errorWords(error)}
            </p>
          )}
          {open ? (
            <OpenPool pool={open} changes={changes} readOnly={readOnly} />
          ) : (
            changes.last && (
              <p role="status" className="text-sm text-quiet">
                You {changes.last.words}.
              </p>
            )
          )}
          {changes.last && (
            <button className="act text-sm" disabled={changes.undo.isPending} onClick={changes.undoLast}>
              undo
            </button>
          )}
        </>
      }
    />
  );
}

/** What a pool is, how many of it can be drawn, and what draws from it. */
function OpenPool({ pool, changes, readOnly }: { pool: Pool; changes: PoolChanges; readOnly: boolean }) {
  return (
    <div className="text-sm">
      <p>
        <b className="font-semibold">
          <Editable
            plain
            label="Name of the pool"
            width={20}
            value={pool.name}
            disabled={readOnly}
            onChange={(name) => changes.change.mutate({ do: 'rename', id: pool.id, name })}
          />
        </b>{' '}
        {pool.filter ? 'holds all that fits this filter' : 'holds what is put into it by hand'}; {canBeDrawn(pool)}
        {pool.drawnBy.length > 0 && <>; it is drawn from by {pool.drawnBy.map((title) => `“${title}”`).join(', ')}</>}.
      </p>
      {!readOnly && pool.drawnBy.length === 0 && (
        <Confirm
          ask="take the pool apart"
          act="take it apart"
          afterwards="Its questions stay in the bank; one step undoes it."
          pending={changes.change.isPending}
          error={null}
          onSure={() => changes.change.mutate({ do: 'remove', id: pool.id })}
        />
      )}
    </div>
  );
}

/** How many of it can be drawn, and why the others cannot. */
function canBeDrawn({ filter, questions, cleared, waiting }: Pool): string {
  if (questions === 0) return filter ? 'nothing fits it, so that nothing can be drawn' : 'nothing is in it, so that nothing can be drawn';
  if (cleared === questions) return 'all of it can be drawn';
  const others = statuses.filter((status) => waiting[status]).map((status) => statusWords(status, waiting[status] ?? 0));
  return `${cleared === 0 ? 'none of it' : count(cleared, 'question')} can be drawn: ${others.join(', ')}`;
}

const statusWords = (status: string, n: number) =>
  status === 'draft' ? count(n, 'is a draft', 'are drafts') : `${grouped(n)} ${n === 1 ? 'is' : 'are'} ${status}`;

const atOnce = (input: HTMLInputElement | null) => input?.focus();

function NameIt({ pools, filter, changes, onDone }: { pools: Pool[]; filter: Filter; changes: PoolChanges; onDone: () => void }) {
  const [name, setName] = useState('');
  const known = pools.find((pool) => pool.filter && pool.name.toLowerCase() === name.trim().toLowerCase());
  return (
    <form
      className="inline-flex flex-wrap items-baseline gap-x-2"
      onSubmit={(e) => {
        e.preventDefault();
        if (name.trim() === '') return;
        changes.change.mutate(known ? { do: 'hold', id: known.id, filter } : { do: 'keep', name, filter }, { onSuccess: onDone });
      }}
    >
      <input
        className="field w-52"
        aria-label="Name of the pool"
        placeholder="a name, such as Swarm season"
        ref={atOnce}
        value={name}
        onChange={(e) => setName(e.target.value)}
        onKeyDown={(e) => e.key === 'Escape' && onDone()}
      />
      <button className="act" disabled={name.trim() === '' || changes.change.isPending}>
        {known ? `let “${known.name}” hold this instead` : 'keep it'}
      </button>
      <button type="button" className="act" onClick={onDone}>
        leave it
      </button>
    </form>
  );
}
