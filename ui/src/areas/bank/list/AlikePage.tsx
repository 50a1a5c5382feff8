import { useChanged } from '../../../api/changed';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { api, dataOf, errorWords, type Schema } from '../../../api/client';
import { keys } from '../../../api/keys';
import { undone } from '../../../api/undone';
import { Row, PageAndMargin } from '../../../parts/PageAndMargin';
import { count } from '../../../parts/text/figures';
import { EditableChoice } from '../../../parts/fields/Editable';
import { Waiting } from '../../../parts/Waiting';
import { type Account, mayEdit } from '../../people/session';
import { Beside } from './Beside';

type Alike = Schema['AlikeQuestion'];

/** Questions that ask the same or nearly the same, group by group: open them beside each other, retire what is one too many. */
export default function AlikePage({ account }: { account: Account }) {
  const bank = Number(useParams().bank);
  const [params, setParams] = useSearchParams();
  const by = params.get('by') === 'answers' ? 'answers' : 'stems';
  const alike = useQuery({
    queryKey: keys.alike(bank, by),
    queryFn: () => dataOf(api.GET('/banks/{id}/alike', { params: { path: { id: bank }, query: by === 'answers' ? { by } : {} } })),
    staleTime: 0,
  });
  if (!alike.data) return <Waiting error={alike.error} retry={() => void alike.refetch()} />;
  const { groups, nearly, complete } = alike.data;
  return (
    <PageAndMargin label="Questions that are alike">
      <Row
        className="pt-5 pb-3"
        page={
          <h1>
            <span className="title">
              {groups.length === 0 ? 'No two questions are alike' : `${count(groups.length, 'group')} of questions that are alike`}
            </span>{' '}
            <span className="path ml-2">
              by{' '}
              <EditableChoice
                label="Compared by"
                value={by}
                options={[
                  { value: 'stems', words: 'what they ask' },
                  { value: 'answers', words: 'their answers' },
                ]}
                onChange={(next) => setParams(next === 'answers' ? { by: next } : {}, { replace: true })}
              />
            </span>
          </h1>
        }
        margin={
          <p className="text-quiet">
            {!complete && 'Not all were compared: too many of them have the same words. '}
            {nearly
              ? 'The figure is how many of all their words they share.'
              : by === 'answers'
                ? 'This bank is too large to compare all answers; up to 10,000 questions can be.'
                : 'This bank is large: only stems that are the same are found here. While a question is written, nearly the same ones are told beside it.'}
          </p>
        }
      />
      {groups.map((group) => (
        <div key={group[0]?.id} className="contents">
          {group.map((one, i) => (
            <OneAlike key={one.id} bank={bank} one={one} first={i === 0 ? null : (group[0]?.id ?? null)} may={mayEdit(account)} />
          ))}
          <Row className="pb-5" page={null} />
        </div>
      ))}
    </PageAndMargin>
  );
}

/** @param first the first of its group; null: it is that one itself */
function OneAlike({ bank, one, first, may }: { bank: number; one: Alike; first: number | null; may: boolean }) {
  const [beside, setBeside] = useState(false);
  const changed = useChanged();
  const refresh = () => changed('everything');
  const undo = useMutation({
    mutationFn: (change: number) => undone(bank, change),
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
    <>
      <Row
        line
        page={
          <p>
            <Link className="text-ink no-underline hover:underline" to={`/banks/${bank}/questions/${one.id}`}>
              <span className="font-reading">{one.excerpt}</span>
            </Link>
            {one.name && <span className="path ml-2">{one.name}</span>}{' '}
            {first !== null && (
              <button className="act ml-2 text-sm" aria-expanded={beside} onClick={() => setBeside(!beside)}>
                beside the first
              </button>
            )}
          </p>
        }
        margin={
          <p>
            {first !== null && <b className="fig mr-2">{one.percent} %</b>}
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
      {beside && first !== null && <Row page={<Beside bank={bank} one={first} other={one.id} may={may} />} />}
    </>
  );
}
