import { Editable, EditableChoice } from '../../../../parts/fields/Editable';
import { Row } from '../../../../parts/PageAndMargin';
import { count, grouped } from '../../../../parts/text/figures';
import type { Choosing } from '../many/useChosen';
import type { Pool, PoolChanges } from './usePoolChanges';

/** Puts the chosen questions into a pool made by hand, or takes them out of the one that is open. */
export function PoolOfChosen(props: { pools: Pool[]; pool: Pool | undefined; chosen: Choosing; changes: PoolChanges }) {
  const { pools, pool, chosen, changes } = props;
  const others = pools.filter((one) => one.filter === null && one.id !== pool?.id);
  const busy = changes.change.isPending;
  return (
    <Row
      className="border-t border-rule pt-2 pb-1"
      page={
        <p>
          Put {count(chosen.count, 'question')} into{' '}
          {others.length > 0 && (
            <>
              <EditableChoice
                label="Pool"
                value=""
                options={[
                  { value: '', words: 'a pool …' },
                  ...others.map((one) => ({ value: String(one.id), words: `${one.name} (${grouped(one.questions)})` })),
                ]}
                onChange={(id) => id !== '' && !busy && changes.change.mutate({ do: 'put in', id: Number(id), ...chosen.body() })}
              />{' '}
              or{' '}
            </>
          )}
          <Editable
            plain
            label="Name of a new pool"
            width={20}
            value="a new pool …"
            onChange={(name) => !busy && changes.change.mutate({ do: 'gather', name, ...chosen.body() })}
          />
          {pool && (
            <>
              {' · '}
              <button
                className="act"
                disabled={busy}
                onClick={() => changes.change.mutate({ do: 'take out', id: pool.id, ...chosen.body() }, { onSuccess: chosen.none })}
              >
                take out of {pool.name}
              </button>
            </>
          )}
        </p>
      }
    />
  );
}
