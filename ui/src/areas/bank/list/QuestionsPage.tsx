import { keys } from '../../../api/keys';
import { keepPreviousData, useInfiniteQuery, useQuery } from '@tanstack/react-query';
import { useEffect, useEffectEvent, useMemo, useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { api, dataOf } from '../../../api/client';
import { boardQuery, poolsQuery } from '../../../api/queries';
import { count, grouped } from '../../../parts/text/figures';
import { Row, PageAndMargin } from '../../../parts/PageAndMargin';
import { EditableChoice } from '../../../parts/fields/Editable';
import { useSettled } from '../../../parts/hooks/useSettled';
import { Waiting } from '../../../parts/Waiting';
import { bankOut, manyQuestions } from '../../background/out';
import { SaveFile } from '../../background/SaveFile';
import { type Account, mayEdit } from '../../people/session';
import { kinds, statuses } from '../../../kinds/facts.gen';
import { remember } from './cameFrom';
import { addressOf, filterOf, moreFilters, moreNames } from './filter';
import { ColumnMenu } from './ColumnMenu';
import { useColumns } from './columns';
import { IntoLine } from './IntoLine';
import { MoreFilters } from './MoreFilters';
import { ChangePanel, useManyPreview } from './many/ChangePanel';
import { useChosen } from './many/useChosen';
import { isEmpty, toChange, type Wish } from './many/wanted';
import { Arrange } from './order/Arrange';
import { useArranging } from './order/useArranging';
import { PoolOfChosen } from './pools/PoolOfChosen';
import { PoolsLine } from './pools/PoolsLine';
import { usePoolChanges } from './pools/usePoolChanges';
import { QuestionRows } from './QuestionRows';
import { SaveAs } from './SaveAs';

const kindOptions = [{ value: '', words: 'every kind' }, ...Object.keys(kinds).map((kind) => ({ value: kind, words: kind }))];
const statusOptions = [{ value: '', words: 'every status' }, ...statuses.map((status) => ({ value: status, words: status }))];

const orders = [
  { value: 'objective', words: 'by objective' },
  { value: 'made', words: 'as made' },
  { value: 'newest', words: 'newest first' },
  { value: 'text', words: 'by their text' },
  { value: 'name', words: 'by name' },
  { value: 'kind', words: 'by kind' },
  { value: 'points', words: 'by points' },
  { value: 'status', words: 'by status' },
  { value: 'saved', words: 'last saved first' },
  { value: 'difficulty', words: 'by difficulty' },
  { value: 'tags', words: 'by tag' },
  { value: 'revision', words: 'by revision' },
  { value: 'by', words: 'by who saved them' },
] as const;
/** Orders that are looked up for each question, and how many may fit then. */
const lookedUp: readonly string[] = ['difficulty', 'tags', 'revision', 'by'];
const few = 2_000;
type Order = (typeof orders)[number]['value'];

/** The dense list: filtered by what stands in the address, searched, one row a question. */
export default function QuestionsPage({ account }: { account: Account }) {
  const bank = Number(useParams().bank);
  const [params, setParams] = useSearchParams();
  const get = (name: string) => params.get(name) ?? '';
  const put = (name: string, value: string | null) =>
    setParams(
      (old) => {
        const next = new URLSearchParams(old);
        if (value === null) next.delete(name);
        else next.set(name, value);
        return next;
      },
      { replace: true },
    );
  const set = (name: string, value: string) => put(name, value === '' ? null : value);
  const filter = filterOf(params);
  const order = orders.find(({ value }) => value === get('order'))?.value ?? (get('search') ? 'made' : 'objective');
  const columns = useColumns();
  const more = columns.needsMore ? { more: true } : {};
  const arranging = useArranging(bank);
  const list = useInfiniteQuery({
    queryKey: keys.questions(bank, filter, order, columns.needsMore ? 'more' : ''),
    queryFn: ({ pageParam, signal }) =>
      dataOf(
        api.GET('/banks/{id}/questions', {
          params: { path: { id: bank }, query: { ...filter, ...more, order, after: pageParam } },
          signal,
        }),
      ),
    initialPageParam: '',
    getNextPageParam: (page) => page.after,
    placeholderData: keepPreviousData,
  });
  const board = useQuery(boardQuery(bank));
  const pools = useQuery(poolsQuery(bank));
  const poolChanges = usePoolChanges(bank);
  const chosen = useChosen(filter, list.data?.pages[0]?.total ?? 0);
  const [wanted, setWanted] = useState<Wish[]>([{ what: 'points', value: '' }]);
  const preview = useManyPreview(bank, chosen, wanted);
  const told = chosen.count === 0 || isEmpty(toChange(wanted)) ? undefined : preview.data;
  const each = useMemo(() => new Map((told?.each ?? []).map((one) => [one.id, one])), [told]);
  if (!list.data) return <Waiting error={list.error} retry={() => void list.refetch()} />;
  const may = mayEdit(account);
  const objectives = [
    { value: '', words: 'every objective' },
    ...(board.data?.rows.map(({ objective }) => ({
      value: String(objective.id),
      words: `${'\u2003'.repeat(objective.depth)}${objective.name}`,
    })) ?? []),
  ];
  const questions = list.data.pages.flatMap((page) => page.questions);
  const total = list.data.pages[0]?.total ?? questions.length;
  const objectivePath = board.data?.rows.find(({ objective }) => String(objective.id) === get('objective'))?.objective.path ?? '';
  const pool = pools.data?.pools.find(({ id }) => id === filter.pool);
  const narrowed = moreNames.filter((name) => get(name) !== '').map((name) => moreFilters[name].words);
  const words = [
    get('kind'),
    get('status'),
    objectivePath.split(' > ').at(-1),
    get('search') && `with “${get('search')}”`,
    pool && `in the pool “${pool.name}”`,
    filter.differs && `with other ${filter.differs}`,
    ...narrowed,
  ]
    .filter((w) => w)
    .join(', ');
  const written = addressOf(filter);
  // Where the list stands as it was put, and all of an objective is in it, it can be put in order.
  const isArranged = order === 'objective' && Object.keys(filter).every((name) => name === 'objective');
  const rememberList = () =>
    remember({ ids: questions.map((q) => q.id), words: words || 'in the bank', path: `/banks/${bank}/questions?${params.toString()}` });
  return (
    <PageAndMargin label="Questions">
      <Row
        className="pt-4 pb-3"
        page={
          <div className="flex flex-wrap items-baseline gap-x-4 gap-y-2">
            <h1 className="title">{list.data.pages[0]?.atLeast ? `${grouped(total)} questions or more` : count(total, 'question')}</h1>
            <span className="path">
              <EditableChoice label="Objective" value={get('objective')} options={objectives} onChange={(v) => set('objective', v)} /> ·{' '}
              <EditableChoice label="Kind" value={get('kind')} options={kindOptions} onChange={(v) => set('kind', v)} /> ·{' '}
              <EditableChoice label="Status" value={get('status')} options={statusOptions} onChange={(v) => set('status', v)} /> ·{' '}
              <EditableChoice<Order>
                label="Order"
                value={order}
                options={total < few ? orders : orders.filter(({ value }) => !lookedUp.includes(value))}
                onChange={(v) => set('order', v)}
              />
              <MoreFilters bank={bank} params={params} set={put} />
            </span>
            <Search key={bank} value={get('search')} onSettled={(typed) => set('search', typed)} />
          </div>
        }
        margin={
          may && (
            <p id="out" className="acts pt-2">
              <Link className="act" to={objectivePath ? `new?objective=${encodeURIComponent(objectivePath)}` : 'new'}>
                Write a question
              </Link>
              <Link className="act" to="../intake">
                Bring in a file
              </Link>
              <SaveFile
                href={`/api/banks/${bank}/text?${written.toString()}`}
                isLong={total > manyQuestions}
                begin={() => bankOut(bank, 'text', written)}
              >
                Save as text
              </SaveFile>
              <SaveAs bank={bank} written={written} sort="table" />
              <SaveAs bank={bank} written={written} sort="package" />
              <SaveFile
                href={`/api/banks/${bank}/archive?${written.toString()}`}
                isLong={total > manyQuestions}
                begin={() => bankOut(bank, 'archive', written)}
              >
                Save as archive
              </SaveFile>
              <Link className="act" to="../proofreading">
                Proofread all
              </Link>
              <Link className="act" to="../settings">
                Settings
              </Link>
            </p>
          )
        }
      />
      {pools.data && <PoolsLine bank={bank} pools={pools.data.pools} filter={filter} changes={poolChanges} readOnly={!may} />}
      {filter.differs !== undefined && may && (
        <IntoLine differs={filter.differs} total={total} chosen={chosen} onWant={setWanted} onLeave={() => put('differs', null)} />
      )}
      {questions.length === 0 && <Row page={<p className="py-2">No question fits. Widen the filter above.</p>} />}
      {questions.length > 0 && (
        <Row
          page={
            <p className="pb-1 text-sm text-quiet">
              {orders.find(({ value }) => value === order)?.words} · <ColumnMenu shown={columns.shown} onToggle={columns.toggle} />
              {may && ' · keys: ↑ ↓ go, Space chooses, with Shift a stretch'}
            </p>
          }
          margin={
            may && (
              <p className="pb-1">
                <b className="fig">{grouped(chosen.count)}</b> chosen ·{' '}
                <button className="act" onClick={chosen.all}>
                  all {grouped(total)}
                </button>{' '}
                ·{' '}
                <button className="act" disabled={chosen.count === 0} onClick={chosen.none}>
                  none
                </button>
              </p>
            )
          }
        />
      )}
      {may && chosen.count > 0 && <PoolOfChosen pools={pools.data?.pools ?? []} pool={pool} chosen={chosen} changes={poolChanges} />}
      {may && isArranged && <Arrange questions={questions} chosen={chosen} arranging={arranging} />}
      {may && chosen.count > 0 && <ChangePanel bank={bank} chosen={chosen} wanted={wanted} onWant={setWanted} preview={preview} />}
      <QuestionRows
        questions={questions}
        bank={bank}
        chosen={may ? chosen : null}
        each={each}
        columns={columns.shown}
        {...(may && isArranged ? { onMove: (i: number, by: number) => arranging.step(questions, i, by) } : {})}
        onOpen={rememberList}
        onEnd={() => {
          if (list.hasNextPage && !list.isFetching) void list.fetchNextPage();
        }}
      />
    </PageAndMargin>
  );
}

/** What is searched for, once the typing pauses. */
function Search({ value, onSettled }: { value: string; onSettled: (typed: string) => void }) {
  const [typed, setTyped] = useState(value);
  const settled = useSettled(typed, 250);
  const told = useEffectEvent((search: string) => {
    if (search !== value) onSettled(search);
  });
  useEffect(() => told(settled), [settled]);
  return (
    <input
      className="field ml-auto w-52"
      type="search"
      aria-label="Search in the text of questions"
      placeholder="words in the question"
      value={typed}
      onChange={(e) => setTyped(e.target.value)}
    />
  );
}
