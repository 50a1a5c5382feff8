import { useInfiniteQuery, useMutation, useQueryClient } from '@tanstack/react-query';
import { useParams } from 'react-router';
import { api, dataOf, errorWords, type Schema } from '../../../api/client';
import { keys } from '../../../api/keys';
import { Row, PageAndMargin } from '../../../parts/PageAndMargin';
import { day, timeOfDay } from '../../../parts/text/figures';
import { Waiting } from '../../../parts/Waiting';
import { type Account, mayEdit } from '../../people/session';

const page = 50;

/** What was done to the bank as a whole, newest first; each step can be undone while nothing stands in its way. */
export default function HistoryPage({ account }: { account: Account }) {
  const bank = Number(useParams().bank);
  const changes = useInfiniteQuery({
    queryKey: keys.changes(bank),
    queryFn: ({ pageParam }) =>
      dataOf(api.GET('/banks/{id}/changes', { params: { path: { id: bank }, query: pageParam === null ? {} : { before: pageParam } } })),
    initialPageParam: null as number | null,
    getNextPageParam: ({ changes: list }) => (list.length < page ? undefined : (list.at(-1)?.id ?? undefined)),
  });
  if (!changes.data) return <Waiting error={changes.error} retry={() => void changes.refetch()} />;
  const list = changes.data.pages.flatMap((one) => one.changes);
  return (
    <PageAndMargin label="History of the bank">
      <Row
        className="pt-5 pb-3"
        page={<h1 className="title">What was done to the bank</h1>}
        margin={<p className="text-quiet">A question’s own revisions stand with the question.</p>}
      />
      {list.length === 0 && (
        <Row page={<p className="pb-6">Nothing yet: changes of the objectives and of many questions at once will stand here.</p>} />
      )}
      {list.map((change) => (
        <Change key={change.id} bank={bank} change={change} may={mayEdit(account)} />
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
    </PageAndMargin>
  );
}

function Change({ bank, change, may }: { bank: number; change: Schema['BankChange']; may: boolean }) {
  const queries = useQueryClient();
  const undo = useMutation({
    mutationFn: () => dataOf(api.POST('/banks/{bank}/changes/{id}/undo', { params: { path: { bank, id: change.id } } })),
    onSuccess: () => queries.invalidateQueries(),
  });
  return (
    <Row
      line
      page={
        <p className={change.undoneAt ? 'text-quiet line-through' : ''}>
          {change.by} {change.words}
        </p>
      }
      margin={
        <p>
          {day(change.at)}, {timeOfDay(change.at)}{' '}
          {change.undoneAt ? (
            <span className="text-quiet">· undone by {change.undoneBy}</span>
          ) : (
            may && (
              <button className="act ml-2" disabled={undo.isPending} onClick={() => undo.mutate()} aria-label={`Undo: ${change.words}`}>
                undo
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
