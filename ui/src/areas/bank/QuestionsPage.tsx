import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useWindowVirtualizer } from '@tanstack/react-virtual';
import { Link, useParams, useSearchParams } from 'react-router';
import { api, type Schema, take } from '../../api/client';
import { count } from '../../parts/figures';
import { Row, Sheet } from '../../parts/Sheet';
import { Pick } from '../../parts/Value';
import { Waiting } from '../../parts/Waiting';
import { type Account, mayEdit } from '../people/session';
import { kinds } from './kinds';
import { remember } from './list';

const kindOptions = [{ value: '', words: 'every kind' }, ...kinds.map(({ kind }) => ({ value: kind, words: kind }))];
const statuses = ['', 'draft', 'in review', 'cleared', 'retired'].map((status) => ({ value: status, words: status || 'every status' }));

/** The dense list: filtered by what stands in the address, searched, one row a question. */
export default function QuestionsPage({ account }: { account: Account }) {
  const bank = Number(useParams().bank);
  const [params, setParams] = useSearchParams();
  const get = (name: string) => params.get(name) ?? '';
  const set = (name: string, value: string) =>
    setParams(
      (old) => {
        const next = new URLSearchParams(old);
        if (value) next.set(name, value);
        else next.delete(name);
        return next;
      },
      { replace: true },
    );
  const filter = {
    ...(get('objective') && { objective: Number(get('objective')) }),
    ...(get('kind') && { kind: get('kind') }),
    ...(get('status') && { status: get('status') }),
    ...(get('search') && { search: get('search') }),
  };
  const list = useQuery({
    queryKey: ['questions', bank, filter],
    queryFn: () => take(api.GET('/banks/{id}/questions', { params: { path: { id: bank }, query: filter } })),
    placeholderData: keepPreviousData,
  });
  const board = useQuery({
    queryKey: ['board', bank],
    queryFn: () => take(api.GET('/banks/{id}/board', { params: { path: { id: bank } } })),
  });
  if (!list.data) return <Waiting error={list.error} retry={() => void list.refetch()} />;
  const objectives = [
    { value: '', words: 'every objective' },
    ...(board.data?.rows.map(({ objective }) => ({
      value: String(objective.id),
      words: `${'\u2003'.repeat(objective.depth)}${objective.name}`,
    })) ?? []),
  ];
  const questions = list.data.questions;
  const objectivePath = board.data?.rows.find(({ objective }) => String(objective.id) === get('objective'))?.objective.path ?? '';
  const words = [get('kind'), get('status'), objectivePath.split(' > ').at(-1), get('search') && `with “${get('search')}”`]
    .filter((w) => w)
    .join(', ');
  const goOn = () =>
    remember({ ids: questions.map((q) => q.id), words: words || 'in the bank', path: `/banks/${bank}/questions?${params.toString()}` });
  return (
    <Sheet label="Questions">
      <Row
        className="pt-4 pb-3"
        page={
          <div className="flex flex-wrap items-baseline gap-x-4 gap-y-2">
            <h1 className="title">{count(questions.length, 'question')}</h1>
            <span className="path">
              <Pick label="Objective" value={get('objective')} options={objectives} onChange={(v) => set('objective', v)} /> ·{' '}
              <Pick label="Kind" value={get('kind')} options={kindOptions} onChange={(v) => set('kind', v)} /> ·{' '}
              <Pick label="Status" value={get('status')} options={statuses} onChange={(v) => set('status', v)} />
            </span>
            <input
              className="field ml-auto w-52"
              type="search"
              aria-label="Search in the text of questions"
              placeholder="words in the question"
              defaultValue={get('search')}
              onChange={(e) => set('search', e.target.value)}
            />
          </div>
        }
        margin={
          mayEdit(account) && (
            <p className="acts pt-2">
              <Link className="act" to={objectivePath ? `new?objective=${encodeURIComponent(objectivePath)}` : 'new'}>
                Write a question
              </Link>
              <Link className="act" to="../intake">
                Bring in a file
              </Link>
              <a className="act" href={`/api/banks/${bank}/text`}>
                Save as text
              </a>
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
      {questions.length === 0 && <Row page={<p className="py-2">No question fits. Widen the filter above.</p>} />}
      <Rows questions={questions} bank={bank} onOpen={goOn} />
    </Sheet>
  );
}

function Rows({ questions, bank, onOpen }: { questions: Schema['QuestionRow'][]; bank: number; onOpen: () => void }) {
  const rows = useWindowVirtualizer({ count: questions.length, estimateSize: () => 36, overscan: 20, scrollMargin: 130 });
  const shown = rows.getVirtualItems();
  const before = (shown[0]?.start ?? 130) - 130;
  const after = rows.getTotalSize() - (shown.at(-1)?.end ?? 130) + 130;
  return (
    <>
      <div className="col-span-full" style={{ height: Math.max(0, before) }} />
      {shown.map((item) => {
        const q = questions[item.index];
        return q && <QuestionLine key={q.id} question={q} bank={bank} onOpen={onOpen} />;
      })}
      <div className="col-span-full" style={{ height: Math.max(0, after) }} />
    </>
  );
}

function QuestionLine({ question: q, bank, onOpen }: { question: Schema['QuestionRow']; bank: number; onOpen: () => void }) {
  return (
    <Row
      line
      className="h-9 overflow-hidden py-1.5!"
      page={
        <Link
          to={`/banks/${bank}/questions/${q.id}`}
          onClick={onOpen}
          className="block truncate text-ink no-underline hover:underline"
          title={q.objective ?? 'without an objective'}
        >
          <span className="font-reading">{q.excerpt || <i className="text-quiet">no stem yet</i>}</span>{' '}
          {q.name && <span className="path ml-2">{q.name}</span>}
        </Link>
      }
      margin={
        <span className="grid grid-cols-[3.6rem_2.2rem_1fr_auto] gap-2 whitespace-nowrap">
          <span>{q.kind}</span>
          <b className="fig text-right">{q.worth}</b>
          <span className="truncate" title={q.objective ?? ''}>
            {q.objective?.split(' > ').at(-1) ?? 'no objective'}
          </span>
          <span
            className={q.status === 'cleared' ? 'text-quiet' : 'text-ink'}
            title={q.dealt && q.status !== 'cleared' ? 'an earlier revision is dealt' : undefined}
          >
            {q.unfinished ? 'not whole' : q.status}
          </span>
        </span>
      }
    />
  );
}
