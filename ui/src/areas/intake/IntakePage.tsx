import { keys } from '../../api/keys';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { api, errorWords, type Schema, dataOf } from '../../api/client';
import { inMegabytes } from '../../kinds/common/picture/files';
import { largest } from '../../kinds/facts.gen';
import { FileButton } from '../../parts/fields/FileButton';
import { count } from '../../parts/text/figures';
import { useSettled } from '../../parts/hooks/useSettled';
import { isOver, JobProgress, useJob } from '../background/JobProgress';
import { BatchLine } from '../bank/board/LastIntake';
import { LEVEL, SourceText } from './SourceText';
import { UnderstoodMargin } from './UnderstoodMargin';
import sample from './sample.zet.txt?raw';

const shelf = 'zetema:intake';
/** Bytes of text that the server reads at once. */

interface Chosen {
  text: string;
  questions: Schema['UnderstoodQuestion'][];
}

/** Bringing questions in: the text on the page, what was understood of it level with it in the margin. */
export default function IntakePage() {
  const bank = Number(useParams().bank);
  const queries = useQueryClient();
  const [params] = useSearchParams();
  const [text, setText] = useState(() => localStorage.getItem(shelf) || (params.has('sample') ? sample : ''));
  const [name, setName] = useState(text === sample ? 'sample.zet.txt' : 'pasted text');
  const [left, setLeft] = useState<ReadonlySet<number>>(new Set());
  const [fileProblem, setFileProblem] = useState<string | null>(null);
  /** A file that was chosen while there was text already: where it goes is asked. */
  const [waiting, setWaiting] = useState<{ name: string; text: string } | null>(null);
  const settled = useSettled(useDeferredValue(text), 300);
  useEffect(() => {
    if (settled.length < 2_000_000) localStorage.setItem(shelf, settled);
  }, [settled]);
  const read = useQuery({
    queryKey: keys.intake(bank, settled),
    queryFn: () => dataOf(api.POST('/banks/{id}/intake/read', { params: { path: { id: bank } }, body: { text: settled } })),
    enabled: settled.trim() !== '',
    placeholderData: (old) => old,
    gcTime: 0,
  });
  const understood = settled.trim() === '' ? undefined : read.data;
  const ready = useMemo(
    () => understood?.questions.filter((q) => q.problems.length === 0 && !left.has(q.fromLine)) ?? [],
    [understood, left],
  );
  const takenIn = (done: Schema['Job'], from?: Chosen) => {
    for (const key of [
      keys.board,
      keys.questions,
      keys.batches,
      keys.blueprints,
      keys.bankSettings,
      keys.pages,
      keys.proofreading,
      keys.jobs,
    ])
      void queries.invalidateQueries({ queryKey: key(bank) });
    if (done.state !== 'done' || !from) return;
    // What was not taken in stays in the text, so that nothing is lost; text that was changed meanwhile stays as it is.
    setText((old) => (old === from.text ? withoutLines(old, from.questions) : old));
    setLeft(new Set());
  };
  const takeIn = useMutation({
    mutationFn: (chosen: Chosen) =>
      dataOf(
        api.POST('/banks/{id}/intake', {
          params: { path: { id: bank } },
          body: { text: chosen.text, name, lines: chosen.questions.map((q) => q.fromLine) },
        }),
      ),
    onSuccess: (job, chosen) => {
      if (isOver(job)) takenIn(job, chosen);
    },
  });
  /** One that was begun before this page was opened goes on too. */
  const begun = useQuery({
    queryKey: keys.jobs(bank),
    queryFn: () => dataOf(api.GET('/banks/{id}/jobs', { params: { path: { id: bank } } })),
  });
  const job = useJob(takeIn.data ?? begun.data?.jobs.find(({ task }) => task === 'take in'), (ended) => takenIn(ended, takeIn.variables));
  const working = job !== null && !isOver(job);
  const problems = useMemo(() => problemLines(understood), [understood]);
  const onLeave = useCallback(
    (line: number) => setLeft((old) => (old.has(line) ? new Set([...old].filter((l) => l !== line)) : new Set([...old, line]))),
    [],
  );
  const put = (chosen: { name: string; text: string }, below = false) => {
    setText((old) => (below ? `${old.replace(/\n*$/, '')}\n\n${chosen.text}` : chosen.text));
    if (!below) setName(chosen.name);
    setWaiting(null);
    takeIn.reset();
  };
  const choose = (chosen: File | undefined) => {
    if (!chosen) return;
    if (chosen.size > largest.text) {
      setFileProblem(
        `${chosen.name} has ${inMegabytes(chosen.size)}; up to ${inMegabytes(largest.text)} can be read at once. Bring it in as several files; nothing here was changed.`,
      );
      return;
    }
    void chosen.arrayBuffer().then((bytes) => {
      try {
        const read = { name: chosen.name, text: new TextDecoder('utf-8', { fatal: true }).decode(bytes) };
        setFileProblem(null);
        if (text.trim() === '' || text === read.text) put(read);
        else setWaiting(read);
      } catch {
        setFileProblem(`${chosen.name} is not UTF-8 text. Save it as UTF-8 and drop it again; nothing here was changed.`);
      }
    });
  };
  const desk = useDrop(choose);
  const stale = settled !== text || read.isFetching;
  return (
    <main className="desk" ref={desk}>
      <div className="sheet" aria-label="Intake">
        <div className="row">
          <div className="p pt-4 pb-3">
            <h1 className="title">
              Bring questions in{' '}
              <span className="path ml-2 font-interface">
                paste or type below, or drop a file ·{' '}
                <FileButton words="choose a file" label="File in the text format" accept=".txt,text/plain" onFile={choose} />
              </span>
            </h1>
            {waiting && (
              <p className="mt-2" role="alert">
                There is text here already.{' '}
                <button className="act" onClick={() => put(waiting, true)}>
                  Put {waiting.name} below it
                </button>{' '}
                <button className="act" onClick={() => put(waiting)}>
                  in its place
                </button>{' '}
                <button className="act" onClick={() => setWaiting(null)}>
                  leave the file
                </button>
              </p>
            )}
            {fileProblem && (
              <p className="notice mt-2" role="alert">
                {fileProblem}
              </p>
            )}
          </div>
          <div className="m pt-4 pb-3">
            <Summary
              understood={understood}
              ready={ready.length}
              stale={stale}
              pending={takeIn.isPending || working}
              error={takeIn.error ?? read.error}
              onTakeIn={() => takeIn.mutate({ text, questions: ready })}
            />
            {job && (working || job.state === 'failed') && <JobProgress job={job} doing="Taking in" />}
            {job && isOver(job) && job.result && 'takenInAt' in job.result && (
              <div role="status" className="mt-2">
                <BatchLine bank={bank} batch={job.result} lead={job.state === 'stopped' ? 'Stopped; taken in so far: ' : 'Taken in: '} />
                <Link className="act" to={`/banks/${bank}`}>
                  See the board
                </Link>
              </div>
            )}
          </div>
        </div>
        <div className="row">
          <div className="p" style={{ paddingLeft: 0 }}>
            <SourceText text={text} problems={problems} onChange={setText} />
          </div>
          <div className="m" style={{ position: 'relative', paddingRight: 16 }}>
            {understood && <UnderstoodMargin understood={understood} bank={bank} left={left} onLeave={onLeave} level={LEVEL} />}
          </div>
        </div>
      </div>
    </main>
  );
}

function Summary(props: {
  understood: Schema['Understood'] | undefined;
  ready: number;
  stale: boolean;
  pending: boolean;
  error: unknown;
  onTakeIn: () => void;
}) {
  const { understood, ready, stale, pending, error, onTakeIn } = props;
  const broken = understood?.questions.filter((q) => q.problems.length > 0).length ?? 0;
  const lines = understood?.problems.length ?? 0;
  return (
    <>
      <p className="flex items-baseline gap-4">
        <button className="btn main whitespace-nowrap" disabled={ready === 0 || stale || pending} onClick={onTakeIn}>
          Take in {ready > 0 ? count(ready, 'question') : ''}
        </button>
        <span aria-live="polite">{understood ? `${count(understood.questions.length, 'question')} read` : 'nothing read yet'}</span>
      </p>
      {(broken > 0 || lines > 0) && (
        <p className="mt-1 text-wrong">
          {broken > 0 && `${count(broken, 'question')} with problems ${broken === 1 ? 'stays' : 'stay'} in the text until put right. `}
          {lines > 0 && `${count(lines, 'line')} beside them.`}
        </p>
      )}
      {understood && understood.bankSettings.length > 0 && (
        <p className="mt-1">
          Settings that this bank does not make yet come with it:{' '}
          {understood.bankSettings.map(({ kind, setting, value }) => `${setting} ${value}${kind === null ? '' : ` (${kind})`}`).join(', ')}.
        </p>
      )}
      {understood && understood.pages.length > 0 && (
        <p className="mt-1">
          {count(understood.pages.length, 'page')} {understood.pages.length === 1 ? 'comes' : 'come'} with it: {understood.pages.join(', ')}
          . Pages whose name the bank has already stay as they are there.
        </p>
      )}
      {error !== null && error !== undefined && (
        <p className="notice mt-1" role="alert">
          {errorWords(error)}
        </p>
      )}
    </>
  );
}

function problemLines(understood: Schema['Understood'] | undefined): ReadonlySet<number> {
  return new Set([...(understood?.problems ?? []), ...(understood?.questions.flatMap((q) => q.problems) ?? [])].map((p) => p.line));
}

function withoutLines(text: string, taken: Schema['UnderstoodQuestion'][]): string {
  const gone = new Set(taken.flatMap((q) => Array.from({ length: q.toLine - q.fromLine + 1 }, (_, i) => q.fromLine + i)));
  const rest = text.split('\n').filter((_, i) => !gone.has(i + 1));
  // Where only headings and defaults are left there is nothing to keep.
  const remains = rest.join('\n').replace(/\n{3,}/g, '\n\n');
  return hasQuestions(remains) ? remains : '';
}

function hasQuestions(text: string): boolean {
  return /^\s*(one|several|true|false|number|text|gaps|pairs|groups|order|regions|place|rating|page)\s*:/im.test(text);
}

/** Takes a file that is dropped on an element. */
function useDrop(take: (file: File | undefined) => void) {
  const element = useRef<HTMLElement>(null);
  const taking = useRef(take);
  useEffect(() => {
    taking.current = take;
  });
  useEffect(() => {
    const target = element.current;
    const over = (e: DragEvent) => e.preventDefault();
    const drop = (e: DragEvent) => {
      if (!e.dataTransfer?.files.length) return;
      e.preventDefault();
      taking.current(e.dataTransfer.files[0]);
    };
    target?.addEventListener('dragover', over);
    target?.addEventListener('drop', drop);
    return () => {
      target?.removeEventListener('dragover', over);
      target?.removeEventListener('drop', drop);
    };
  }, []);
  return element;
}
