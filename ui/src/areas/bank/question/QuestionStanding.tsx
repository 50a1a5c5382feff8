import { keys } from '../../../api/keys';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { api, errorWords, type Schema, dataOf } from '../../../api/client';
import { NotSaved } from '../../../parts/NotSaved';
import { count } from '../../../parts/text/figures';
import { timeOfDay } from '../../../parts/text/moments';
import type { Edit, Question } from './useDraft';
import type { Content } from '../../../kinds/content';
import { LineNotes } from '../../../kinds/common/lines/LineNotes';

/** How the question stands: saved or not, whole or not, who else is here, and the next step of its status. */
export function Standing({ question, edit, readOnly }: { question: Question; edit: Edit; readOnly: boolean }) {
  const { save } = edit;
  const error = save.error;
  return (
    <>
      <p>
        {question.status}, revision {question.revision} ·{' '}
        <span role="status" aria-live="polite">
          {save.isPending
            ? 'saving …'
            : error
              ? 'not saved'
              : edit.restored
                ? 'restored, not saved yet'
                : `saved ${timeOfDay(question.savedAt)}`}
        </span>
        {!readOnly && (
          <>
            {' · '}
            <button className="act" disabled={!edit.can.undo} title="Ctrl Z" onClick={edit.undo}>
              undo
            </button>{' '}
            <button className="act" disabled={!edit.can.redo} title="Ctrl Y" onClick={edit.redo}>
              redo
            </button>
          </>
        )}
      </p>
      <p>
        <StatusSteps question={question} edit={edit} readOnly={readOnly} />
      </p>
      <Others question={question} />
      {question.problem && !error && <p className="notice mt-1">Kept as a draft, not whole yet: {question.problem.message}.</p>}
      {question.clearedRevision !== null && question.status !== 'cleared' && (
        <p>Revision {question.clearedRevision} is dealt until this one is cleared.</p>
      )}
      <NotSaved saving={{ ...edit, error }}>{(theirs: Question) => <BothVersions mine={edit.draft.content} theirs={theirs} />}</NotSaved>
      {edit.restored && !error && (
        <button className="act" onClick={edit.saveNow}>
          Save what was restored
        </button>
      )}
      <LineNotes where="" />
    </>
  );
}

/** Every text of a question, line by line, to lay two versions beside each other. */
function texts(value: unknown): string[] {
  if (typeof value === 'string') return value.trim() === '' ? [] : [value];
  if (Array.isArray(value)) return value.flatMap(texts);
  return typeof value === 'object' && value !== null
    ? Object.entries(value).flatMap(([key, v]) => (key === 'v' ? [] : typeof v === 'boolean' ? [`${key}: ${v ? 'yes' : 'no'}`] : texts(v)))
    : [];
}

function BothVersions({ mine, theirs }: { mine: Content; theirs: Question }) {
  const [here, there] = [texts(mine), texts(theirs.content)];
  const only = (a: string[], b: string[]) => a.filter((line) => !b.includes(line));
  return (
    <div className="grid grid-cols-2 gap-3 py-1">
      <div>
        <b>yours</b>
        {only(here, there).map((line, i) => (
          <p key={i}>{line}</p>
        ))}
      </div>
      <div>
        <b>
          the newer one, {theirs.savedBy} {timeOfDay(theirs.savedAt)}
        </b>
        {only(there, here).map((line, i) => (
          <p key={i}>{line}</p>
        ))}
      </div>
    </div>
  );
}

/** Says every few seconds that this page is open, and who else has it open. */
function Others({ question }: { question: Question }) {
  const here = useQuery({
    queryKey: keys.here(question.id),
    queryFn: () => dataOf(api.POST('/questions/{id}/here', { params: { path: { id: question.id } } })),
    refetchInterval: 20_000,
    retry: false,
    gcTime: 0,
  });
  const others = here.data?.others ?? [];
  if (others.length === 0) return null;
  return (
    <p className="notice" role="status">
      {others.join(' and ')} {others.length === 1 ? 'has' : 'have'} this question open too. Whoever saves second is shown both versions.
    </p>
  );
}

/** What making it so is called; who may take which step the server tells. */
const stepWords: Record<Schema['Status'], string> = {
  'in review': 'to review',
  cleared: 'clear',
  draft: 'back to draft',
  retired: 'retire',
};

function StatusSteps({ question, edit, readOnly }: { question: Question; edit: Edit; readOnly: boolean }) {
  const navigate = useNavigate();
  const [asked, setAsked] = useState(false);
  const steps = question.next.filter((to) => to !== 'cleared' || question.mayNotClear === null);
  const open = question.comments.filter(({ closedAt }) => closedAt === null).length;
  const move = useMutation({
    scope: { id: `question:${question.id}` },
    mutationFn: (status: Schema['Status']) =>
      dataOf(
        api.PUT('/questions/{id}/status', { params: { path: { id: question.id } }, body: { status, version: edit.versionRef.current } }),
      ),
    onSuccess: edit.rebase,
  });
  const copy = useMutation({
    mutationFn: () => dataOf(api.POST('/questions/{id}/copy', { params: { path: { id: question.id } } })),
    onSuccess: (made) => void navigate(`/banks/${made.bank.id}/questions/${made.id}`),
  });
  return (
    <>
      {question.next.includes('cleared') && question.mayNotClear !== null && (
        <span className="block text-quiet">{question.mayNotClear}</span>
      )}
      {steps.map((to) => (
        <button
          key={to}
          className="act mr-2"
          disabled={move.isPending || edit.save.isPending}
          onClick={() => (to === 'cleared' && open > 0 ? setAsked(true) : move.mutate(to))}
        >
          {stepWords[to]}
        </button>
      ))}
      {!readOnly && (
        <button className="act" disabled={copy.isPending} onClick={() => copy.mutate()}>
          copy
        </button>
      )}
      {asked && open > 0 && (
        <span className="block" role="alert">
          {count(open, 'comment')} {open === 1 ? 'is' : 'are'} still open.{' '}
          <button
            className="act mr-2"
            onClick={() => {
              setAsked(false);
              move.mutate('cleared');
            }}
          >
            clear it all the same
          </button>
          <button className="act" onClick={() => setAsked(false)}>
            look at {open === 1 ? 'it' : 'them'} first
          </button>
        </span>
      )}
      {(move.error ?? copy.error) && (
        <span className="notice block" role="alert">
          {errorWords(move.error ?? copy.error)}
        </span>
      )}
    </>
  );
}
