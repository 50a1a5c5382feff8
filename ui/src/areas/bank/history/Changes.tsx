import { useChanged } from '../../../api/changed';
import { useInfiniteQuery, useMutation } from '@tanstack/react-query';
import { type ReactNode, useState } from 'react';
import { Link } from 'react-router';
import { api, dataOf, errorWords, type Schema } from '../../../api/client';
import { keys } from '../../../api/keys';
import { undone } from '../../../api/undone';
import { Row } from '../../../parts/PageAndMargin';
import { day, timeOfDay } from '../../../parts/text/moments';
import { Waiting } from '../../../parts/Waiting';
import { asked, type Narrowed, page } from './narrowed';

interface Props {
  bank: number;
  narrowed: Narrowed;
  filter: (people: Schema['People']) => ReactNode;
  may: boolean;
}

/** What was done to the bank as a whole, newest first, each with its undo; what was thrown away is restored the same way. */
export function Changes({ bank, narrowed, filter, may }: Props) {
  const query = asked(narrowed);
  const changes = useInfiniteQuery({
    queryKey: keys.changes(bank, JSON.stringify(query)),
    queryFn: ({ pageParam }) =>
      dataOf(
        api.GET('/banks/{id}/changes', {
          params: { path: { id: bank }, query: { ...query, ...(pageParam === null ? {} : { before: pageParam }) } },
        }),
      ),
    initialPageParam: null as number | null,
    getNextPageParam: ({ changes: list }) => (list.length < page ? undefined : (list.at(-1)?.id ?? undefined)),
  });
  /** What was restored here: it says where it stands before it leaves the basket. */
  const [back, setBack] = useState<number[]>([]);
  if (!changes.data) return <Waiting error={changes.error} retry={() => void changes.refetch()} />;
  const basket = narrowed.what === 'thrown away';
  const list = changes.data.pages
    .flatMap((one) => one.changes)
    .filter(({ id, undoneAt }) => !basket || undoneAt === null || back.includes(id));
  return (
    <>
      {filter(changes.data.pages[0]?.people ?? [])}
      {list.length === 0 && (
        <Row
          page={
            <p className="pb-6">
              {basket
                ? 'The wastebasket is empty: drafts that are thrown away stay here and can be restored.'
                : 'Nothing of this: what came in, changes of objectives, pools, settings and of many questions at once stand here, and what was thrown away.'}
            </p>
          }
        />
      )}
      {list.map((change) => (
        <Change
          key={change.id}
          bank={bank}
          change={change}
          may={may}
          undo={() => {
            setBack([...back, change.id]);
            return undone(bank, change.id);
          }}
        />
      ))}
      {changes.hasNextPage && (
        <Row
          page={
            <button className="act my-3" disabled={changes.isFetching} onClick={() => void changes.fetchNextPage()}>
              Older ones
            </button>
          }
        />
      )}
    </>
  );
}

interface ChangeProps {
  bank?: number;
  change: Schema['BankChange'];
  may: boolean;
  undo: () => Promise<unknown>;
}

/** One step: who, what, when, and its undo. */
export function Change({ bank, change, may, undo: goBack }: ChangeProps) {
  const changed = useChanged();
  const undo = useMutation({
    mutationFn: goBack,
    onSuccess: () => changed('everything'),
  });
  // What was taken back cannot be brought again by a press, so that it is asked about first.
  const isForGood = change.kind === 'intake';
  const [sure, setSure] = useState(false);
  const way = change.kind === 'thrown away' ? 'restore' : change.kind === 'intake' ? 'take back' : 'undo';
  const act = sure ? `${way} for good` : way;
  return (
    <Row
      line
      page={
        <p className={change.undoneAt ? 'text-quiet' : ''}>
          <span className={change.undoneAt ? 'line-through' : ''}>
            {change.by} {change.words}
          </span>
          {bank !== undefined && change.question && <StandsIn bank={bank} {...change.question} />}
        </p>
      }
      margin={
        <p>
          {day(change.at)}, {timeOfDay(change.at)}{' '}
          {change.undoneAt ? (
            <span className="text-quiet">
              · {change.kind === 'intake' ? 'taken back' : way === 'undo' ? 'undone' : 'restored'}
              {change.undoneBy && ` by ${change.undoneBy}`}
            </span>
          ) : change.atWork ? (
            <span className="text-quiet">· still at work</span>
          ) : (
            may && (
              <button
                className="act ml-2"
                disabled={undo.isPending}
                onClick={() => (isForGood && !sure ? setSure(true) : undo.mutate())}
                aria-label={`${act.charAt(0).toUpperCase()}${act.slice(1)}: ${change.words}`}
              >
                {undo.isPending ? 'at work …' : act}
              </button>
            )
          )}
          {undo.error && (
            <span className="notice block" role="alert">
              {errorWords(undo.error)}
            </span>
          )}
        </p>
      }
    />
  );
}

/** Where a question stands that came back. */
function StandsIn({ bank, id, objective }: { bank: number; id: number; objective: string }) {
  return (
    <span className="block">
      It stands {objective === '' ? 'under no objective' : `in ${objective}`} again:{' '}
      <Link className="act" to={`/banks/${bank}/questions/${id}`}>
        to the question
      </Link>
    </span>
  );
}
