import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { api, dataOf, errorWords, type Schema } from '../../../api/client';
import { keys } from '../../../api/keys';
import { Row, PageAndMargin } from '../../../parts/PageAndMargin';
import { count } from '../../../parts/text/figures';
import { Waiting } from '../../../parts/Waiting';
import { type Account, mayEdit } from '../../people/session';

type Alike = Schema['AlikeQuestion'];

/** Questions that ask the same or nearly the same, group by group: open them beside each other, retire what is one too many. */
export default function AlikePage({ account }: { account: Account }) {
  const bank = Number(useParams().bank);
  const alike = useQuery({
    queryKey: keys.alike(bank),
    queryFn: () => dataOf(api.GET('/banks/{id}/alike', { params: { path: { id: bank } } })),
    staleTime: 0,
  });
  if (!alike.data) return <Waiting error={alike.error} retry={() => void alike.refetch()} />;
  const { groups, nearly } = alike.data;
  return (
    <PageAndMargin label="Questions that are alike">
      <Row
        className="pt-5 pb-3"
        page={
          <h1 className="title">
            {groups.length === 0 ? 'No two questions ask the same' : `${count(groups.length, 'group')} of questions that ask alike`}
          </h1>
        }
        margin={
          <p className="text-quiet">
            {nearly
              ? 'Compared by the words of their stems. The figure is how many of all their words they share.'
              : 'This bank is large: only stems that are the same are found here. While a question is written, nearly the same ones are told beside it.'}
          </p>
        }
      />
      {groups.map((group) => (
        <div key={group[0]?.id} className="contents">
          {group.map((one, i) => (
            <OneAlike key={one.id} bank={bank} one={one} isFirst={i === 0} may={mayEdit(account)} />
          ))}
          <Row className="pb-5" page={null} />
        </div>
      ))}
    </PageAndMargin>
  );
}

function OneAlike({ bank, one, isFirst, may }: { bank: number; one: Alike; isFirst: boolean; may: boolean }) {
  const queries = useQueryClient();
  const refresh = () => queries.invalidateQueries();
  const undo = useMutation({
    mutationFn: (change: number) => dataOf(api.POST('/banks/{bank}/changes/{id}/undo', { params: { path: { bank, id: change } } })),
    onSuccess: refresh,
  });
  const retire = useMutation({
    mutationFn: () =>
      dataOf(
        api.POST('/banks/{id}/questions/change', {
          params: { path: { id: bank } },
          body: { ids: [one.id], change: { status: 'retired' } },
        }),
      ),
  });
  const result = retire.data?.result;
  const done = result && 'change' in result ? result.change : null;
  const error = retire.error ?? undo.error;
  return (
    <Row
      line
      page={
        <p>
          <Link className="text-ink no-underline hover:underline" to={`/banks/${bank}/questions/${one.id}`}>
            <span className="font-reading">{one.excerpt}</span>
          </Link>
          {one.name && <span className="path ml-2">{one.name}</span>}
        </p>
      }
      margin={
        <p>
          {!isFirst && <b className="fig mr-2">{one.percent} %</b>}
          {one.kind}, {one.worth}, {one.objective?.split(' > ').at(-1) ?? 'no objective'}, {done === null ? one.status : 'retired'}{' '}
          {may &&
            (done === null ? (
              <button
                className="act ml-2"
                disabled={retire.isPending}
                onClick={() => retire.mutate()}
                aria-label={`Retire ${one.name ?? one.excerpt}`}
              >
                retire
              </button>
            ) : (
              <button className="act ml-2" disabled={undo.isPending || undo.isSuccess} onClick={() => undo.mutate(done)}>
                undo
              </button>
            ))}
          {error && (
            <span className="notice block" role="alert">
              {errorWords(error)}
            </span>
          )}
        </p>
      }
    />
  );
}
