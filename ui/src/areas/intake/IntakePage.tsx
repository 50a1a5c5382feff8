import { useChanged } from '../../api/changed';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useCallback, useDeferredValue, useMemo, useRef, useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { api, type Schema, dataOf } from '../../api/client';
import { keys } from '../../api/keys';
import { EditableChoice } from '../../parts/fields/Editable';
import { FileButton } from '../../parts/fields/FileButton';
import { useSettled } from '../../parts/hooks/useSettled';
import { isOver, JobProgress, useJob } from '../background/JobProgress';
import { useObjectives } from '../bank/question/ObjectiveField';
import { BatchLine } from '../bank/board/LastIntake';
import { alongOf, bodyOf, type Brought, chosenOf, type Decision, decisionOf, formats, together, useBrought, withoutTaken } from './brought';
import { BlueprintsTaken } from './BlueprintsTaken';
import { Columns } from './Columns';
import type { PutIn } from './completion';
import { EncodingAsked } from './EncodingAsked';
import { Files } from './files/Files';
import { GivenLine } from './GivenLine';
import { LeftBehind } from './LeftBehind';
import { LEVEL, SourceText } from './SourceText';
import { Summary } from './Summary';
import { Templates } from './Templates';
import { UnderstoodMargin } from './UnderstoodMargin';
import { objectiveIn } from './files/files';
import { useFiles } from './files/useFiles';
import { useDrop } from './files/useDrop';
import { openAsText, type Opened, useOpened } from './useOpened';
import sample from './sample.zet.txt?raw';

interface Chosen {
  brought: Brought;
  understood: Schema['Understood'];
  questions: Schema['UnderstoodQuestion'][];
}

/** Bringing questions in: the text on the page, what was understood of it level with it in the margin. */
export default function IntakePage() {
  const bank = Number(useParams().bank);
  const changed = useChanged();
  const [params] = useSearchParams();
  const { brought, put, setBrought } = useBrought(bank, params.has('sample') ? { text: sample, name: 'sample.zet.txt' } : null);
  const { text } = brought;
  /** A file that was chosen while there was text already: where it goes is asked. */
  const [waiting, setWaiting] = useState<Opened | null>(null);
  const left = useMemo(() => new Set(brought.left), [brought.left]);
  const asked = useSettled(useDeferredValue(brought), 300);
  const body = useMemo(() => bodyOf(asked), [asked]);
  const read = useQuery({
    queryKey: keys.intake(bank, body.text, JSON.stringify({ ...body, text: '' })),
    queryFn: () => dataOf(api.POST('/banks/{id}/intake/read', { params: { path: { id: bank } }, body })),
    enabled: body.text.trim() !== '',
    placeholderData: (old) => old,
    gcTime: 0,
  });
  const understood = body.text.trim() === '' ? undefined : read.data;
  const format = brought.as ?? understood?.as ?? 'text';
  const ready = useMemo(
    () =>
      understood?.questions.filter(
        (q) => q.question !== null && q.problems.length === 0 && !left.has(q.fromLine) && decisionOf(q, brought.again) !== 'leave',
      ) ?? [],
    [understood, left, brought.again],
  );
  const takenIn = (done: Schema['Job'], from?: Chosen) => {
    void changed('intake', bank);
    if (done.state !== 'done' || !from) return;
    // What was not taken in stays in the text, so that nothing is lost; text that was changed meanwhile stays as it is.
    setBrought((old) => {
      const rest = old.text === from.brought.text ? withoutTaken(old.text, from.understood, from.questions) : old.text;
      return { ...old, left: [], again: {}, text: rest, ...(rest === '' && { as: null, mapping: null, beside: null }) };
    });
  };
  const takeIn = useMutation({
    mutationFn: (chosen: Chosen) =>
      dataOf(
        api.POST('/banks/{id}/intake', {
          params: { path: { id: bank } },
          body: {
            ...bodyOf(chosen.brought),
            as: chosen.understood.as,
            name: chosen.brought.name,
            ...alongOf(chosen.brought.beside),
            ...chosenOf(chosen.questions, chosen.brought.again),
          },
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
    (line: number) =>
      setBrought((old) => ({ ...old, left: old.left.includes(line) ? old.left.filter((l) => l !== line) : [...old.left, line] })),
    [setBrought],
  );
  const onDecide = useCallback(
    (line: number, decision: Decision) => setBrought((old) => ({ ...old, again: { ...old.again, [line]: decision } })),
    [setBrought],
  );
  const decideAll = (decision: Decision) =>
    setBrought((old) => ({
      ...old,
      again: Object.fromEntries(known.map((q) => [q.fromLine, q.known?.isSame && decision === 'revise' ? 'leave' : decision])),
    }));
  const known = understood?.questions.filter((q) => q.known !== null && q.problems.length === 0) ?? [];
  const objectives = useObjectives(bank, true);
  const take = (file: Opened, below = false) => {
    if (below)
      setBrought((old) => ({ ...old, text: `${old.text.replace(/\n*$/, '')}\n\n${file.text}`, beside: together(old.beside, file.beside) }));
    else {
      const given = brought.given.objective === '' ? { ...brought.given, objective: objectiveIn(file.name, objectives) } : brought.given;
      put({ text: file.text, name: file.name, as: file.as, mapping: null, left: [], again: {}, given, beside: file.beside ?? null });
    }
    setWaiting(null);
    takeIn.reset();
  };
  const opening = useOpened(bank, (file) => {
    if (text.trim() === '' || text === file.text) take(file);
    else setWaiting(file);
  });
  const putInRef = useRef<((put: PutIn) => void) | null>(null);
  const { unsure } = opening;
  const several = useFiles(bank, opening.say);
  const openSeveral = (chosen: File[]) => {
    const [file] = chosen;
    if (chosen.length === 1 && file) opening.open(file, file.name);
    else several.open(chosen);
  };
  const desk = useDrop(openSeveral);
  const stale = asked !== brought || read.isFetching;
  return (
    <main className="desk" ref={desk}>
      <div className="sheet" aria-label="Intake">
        <div className="row">
          <div className="p pt-4 pb-3">
            <h1 className="title">
              Bring questions in{' '}
              <span className="path ml-2 font-interface">
                paste or type below, or drop files ·{' '}
                <FileButton
                  words="choose files"
                  label="A text, a typed paper, a table or a package"
                  accept=".txt,.csv,.tsv,.xlsx,.html,.htm,.zip,.xml,text/plain,text/csv,text/html"
                  onFile={(file) => opening.open(file, file.name)}
                  onFiles={openSeveral}
                />{' '}
                · <Templates bank={bank} onPut={(put) => putInRef.current?.(put)} />
              </span>
            </h1>
            {unsure && (
              <EncodingAsked
                unsure={unsure}
                onAgree={() => {
                  opening.leave();
                  if (text.trim() === '') take(unsure.opened);
                  else setWaiting(unsure.opened);
                }}
                onOther={(encoding) => opening.open(unsure.file, unsure.name, encoding)}
                onLeave={opening.leave}
              />
            )}
            {waiting && (
              <p className="mt-2" role="alert">
                There is text here already.{' '}
                <button className="act" onClick={() => take(waiting, true)}>
                  Put {waiting.name} below it
                </button>{' '}
                <button className="act" onClick={() => take(waiting)}>
                  in its place
                </button>{' '}
                <button className="act" onClick={() => setWaiting(null)}>
                  leave the file
                </button>
              </p>
            )}
            {opening.problem && (
              <p className="notice mt-2" role="alert">
                {opening.problem}
              </p>
            )}
            {several.began && (
              <Files
                bank={bank}
                files={several.files}
                onChange={several.setFiles}
                onOpen={(file) => {
                  several.setFiles((old) => old.filter(({ name }) => name !== file.name));
                  if (text.trim() === '') take(file);
                  else setWaiting(file);
                }}
              />
            )}
            {text.trim() !== '' && (
              <>
                <p className="mt-2">
                  Read as{' '}
                  <EditableChoice
                    label="Read as"
                    value={format}
                    options={formats}
                    onChange={(as) => put({ as, mapping: null, left: [] })}
                  />
                  {brought.as === null && <span className="text-quiet">, as it looks</span>}.
                </p>
                {understood?.table && format === 'table' && (
                  <Columns table={understood.table} onChange={(mapping) => put({ mapping, as: 'table', left: [] })} />
                )}
                <GivenLine bank={bank} given={brought.given} format={format} onChange={(given) => put({ given })} />
                {brought.beside && (
                  <LeftBehind
                    beside={brought.beside}
                    onRead={() => put({ beside: brought.beside && { ...brought.beside, unmatched: [], problems: [] } })}
                  />
                )}
              </>
            )}
          </div>
          <div className="m pt-4 pb-3">
            {/* Above what shrinks when the text is emptied: its links stay where the pointer goes. */}
            {job && isOver(job) && job.result && 'takenInAt' in job.result && (
              <div role="status" className="mb-2">
                <BatchLine bank={bank} batch={job.result} lead={job.state === 'stopped' ? 'Stopped; taken in so far: ' : 'Taken in: '} />
                <BlueprintsTaken bank={bank} blueprints={job.result.blueprints} />
                <Link className="act" to={`/banks/${bank}`}>
                  See the board
                </Link>
              </div>
            )}
            <Summary
              known={known}
              decided={Object.keys(brought.again).length > 0}
              onDecideAll={decideAll}
              understood={understood}
              ready={ready.length}
              stale={stale}
              pending={takeIn.isPending || working}
              error={takeIn.error ?? read.error}
              onTakeIn={() => understood && takeIn.mutate({ brought, understood, questions: ready })}
            />
            {job && (working || job.state === 'failed') && <JobProgress job={job} doing="Taking in" />}
          </div>
        </div>
        <div className="row">
          <div className="p" style={{ paddingLeft: 0 }}>
            <SourceText
              text={text}
              problems={problems}
              objectives={objectives}
              onEditor={(put) => {
                putInRef.current = put;
              }}
              onChange={(next) => put({ text: next })}
              asText={(html) => openAsText(html, 'paste.html').then((opened) => opened.text)}
            />
          </div>
          <div className="m" style={{ position: 'relative', paddingRight: 16 }}>
            {understood && (
              <UnderstoodMargin
                understood={understood}
                bank={bank}
                left={left}
                again={brought.again}
                onLeave={onLeave}
                onDecide={onDecide}
                level={LEVEL}
              />
            )}
          </div>
        </div>
      </div>
    </main>
  );
}

function problemLines(understood: Schema['Understood'] | undefined): ReadonlySet<number> {
  return new Set([...(understood?.problems ?? []), ...(understood?.questions.flatMap((q) => q.problems) ?? [])].map((p) => p.line));
}
