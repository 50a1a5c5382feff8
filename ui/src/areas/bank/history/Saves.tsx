import { useInfiniteQuery } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { api, dataOf, type Schema } from '../../../api/client';
import { keys } from '../../../api/keys';
import { Row } from '../../../parts/PageAndMargin';
import { day, timeOfDay } from '../../../parts/text/moments';
import { Waiting } from '../../../parts/Waiting';
import { asked, type Narrowed, page } from './narrowed';

interface Props {
  bank: number;
  narrowed: Narrowed;
  filter: (people: Schema['People']) => ReactNode;
}

/** Who saved which question when, newest first; older revisions are restored at the question. */
export function Saves({ bank, narrowed, filter }: Props) {
  const query = asked(narrowed);
  const saves = useInfiniteQuery({
    queryKey: keys.saves(bank, JSON.stringify(query)),
    queryFn: ({ pageParam }) =>
      dataOf(
        api.GET('/banks/{id}/saves', {
          params: { path: { id: bank }, query: { ...query, ...(pageParam === null ? {} : { before: pageParam }) } },
        }),
      ),
    initialPageParam: null as number | null,
    getNextPageParam: ({ saves: list }) => (list.length < page ? undefined : (list.at(-1)?.id ?? undefined)),
    staleTime: 0,
  });
  if (!saves.data) return <Waiting error={saves.error} retry={() => void saves.refetch()} />;
  const list = saves.data.pages.flatMap((one) => one.saves);
  return (
    <>
      {filter(saves.data.pages[0]?.people ?? [])}
      {list.length === 0 && <Row page={<p className="pb-6">Nobody saved a question then.</p>} />}
      {list.map((save) => (
        <Row
          key={save.id}
          line
          page={
            <p>
              {save.by} saved{' '}
              <Link className="act" to={`/banks/${bank}/questions/${save.question}`}>
                {save.words || 'a question without a stem'}
              </Link>
            </p>
          }
          margin={
            <p>
              {day(save.at)}, {timeOfDay(save.at)} <span className="text-quiet">· revision {save.number}</span>
              {save.cleared && <span className="text-quiet">, cleared</span>}
            </p>
          }
        />
      ))}
      {saves.hasNextPage && (
        <Row
          page={
            <button className="act my-3" disabled={saves.isFetching} onClick={() => void saves.fetchNextPage()}>
              Older ones
            </button>
          }
        />
      )}
    </>
  );
}
