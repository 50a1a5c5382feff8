import { useMutation, useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { ApiError, api, inWords, type Schema, take } from '../../api/client';
import { day, timeOfDay } from '../../parts/figures';
import { Row, Sheet } from '../../parts/Sheet';
import { Waiting } from '../../parts/Waiting';
import { type Account, mayEdit } from '../people/session';
import { type Question, useDraft } from './draft';
import { Editor } from './Editor';

/** One question: stem and answers on the page, what they lead to in the margin. Saves itself. */
export default function QuestionPage({ account }: { account: Account }) {
  const id = Number(useParams().id);
  const question = useQuery({
    queryKey: ['question', id],
    queryFn: () => take(api.GET('/questions/{id}', { params: { path: { id } } })),
    staleTime: 0,
    gcTime: 0,
  });
  if (!question.data) return <Waiting error={question.error} retry={() => void question.refetch()} />;
  return <QuestionSheet key={id} question={question.data} account={account} />;
}

function QuestionSheet({ question, account }: { question: Question; account: Account }) {
  const edit = useDraft(question);
  const readOnly = !mayEdit(account) || question.status === 'retired';
  const { neighbours } = question;
  const base = `/banks/${question.bank.id}/questions`;
  return (
    <Sheet label="Question">
      <Editor
        draft={edit.draft}
        margin={question.margin}
        onChange={edit.change}
        readOnly={readOnly}
        lead={
          <>
            {' · '}
            {neighbours.place} of {neighbours.of}
            {neighbours.previous && (
              <>
                {' '}
                <Link className="act" to={`${base}/${neighbours.previous}`}>
                  previous
                </Link>
              </>
            )}
            {neighbours.next && (
              <>
                {' '}
                <Link className="act" to={`${base}/${neighbours.next}`}>
                  next
                </Link>
              </>
            )}
          </>
        }
        status={<Standing question={question} edit={edit} />}
      />
      <Revisions question={question} />
    </Sheet>
  );
}

function Standing({ question, edit }: { question: Question; edit: ReturnType<typeof useDraft> }) {
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
        {' · '}
        <StatusSteps question={question} edit={edit} />
      </p>
      {question.clearedRevision !== null && question.status !== 'cleared' && (
        <p>Revision {question.clearedRevision} is dealt until this one is cleared.</p>
      )}
      {error && (
        <div className="mt-1" role="alert">
          <p className="notice">{inWords(error)}</p>
          {error instanceof ApiError && error.isStale ? (
            <p>
              <button className="act" onClick={edit.takeTheirs}>
                Take the newer one
              </button>{' '}
              <button className="act" onClick={edit.saveMine}>
                Save mine over it
              </button>
            </p>
          ) : (
            <button className="act" onClick={edit.saveNow}>
              Save again
            </button>
          )}
        </div>
      )}
      {edit.restored && !error && (
        <button className="act" onClick={edit.saveNow}>
          Save what was restored
        </button>
      )}
    </>
  );
}

const steps: Record<Schema['Status'], { to: Schema['Status']; words: string }[]> = {
  draft: [
    { to: 'in review', words: 'to review' },
    { to: 'cleared', words: 'clear' },
  ],
  'in review': [
    { to: 'cleared', words: 'clear' },
    { to: 'draft', words: 'back to draft' },
  ],
  cleared: [{ to: 'retired', words: 'retire' }],
  retired: [{ to: 'draft', words: 'back to draft' }],
};

function StatusSteps({ question, edit }: { question: Question; edit: ReturnType<typeof useDraft> }) {
  const move = useMutation({
    mutationFn: (status: Schema['Status']) =>
      take(api.PUT('/questions/{id}/status', { params: { path: { id: question.id } }, body: { status, version: edit.version.current } })),
    onSuccess: edit.rebase,
  });
  return (
    <>
      {steps[question.status].map(({ to, words }) => (
        <button key={to} className="act mr-2" disabled={move.isPending || edit.save.isPending} onClick={() => move.mutate(to)}>
          {words}
        </button>
      ))}
      {move.error && (
        <span className="notice block" role="alert">
          {inWords(move.error)}
        </span>
      )}
    </>
  );
}

function Revisions({ question }: { question: Question }) {
  return (
    <Row
      className="pt-5 pb-6"
      page={
        <>
          <h2 className="head">revisions</h2>
          <ul className="text-sm text-soft">
            {question.revisions.map((revision) => (
              <li key={revision.number}>
                <b className="fig">{revision.number}</b> {revision.by}, {day(revision.savedAt)} {timeOfDay(revision.savedAt)}
                {revision.cleared && ' · cleared, this one is dealt'}
              </li>
            ))}
          </ul>
        </>
      }
    />
  );
}
