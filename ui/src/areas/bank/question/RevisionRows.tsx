import { keys } from '../../../api/keys';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, errorWords, dataOf } from '../../../api/client';
import { day, timeOfDay } from '../../../parts/text/moments';
import { Row } from '../../../parts/PageAndMargin';
import type { Edit, Question } from './useDraft';

/** Who saved when; what changed, as lines of the text format; and the way back to an older one. */
export function RevisionRows({ question, edit, readOnly }: { question: Question; edit: Edit; readOnly: boolean }) {
  const [shown, setShown] = useState<number | null>(null);
  return (
    <Row
      className="pt-5"
      page={
        <>
          <h2 className="head">revisions</h2>
          <ul className="text-sm text-soft">
            {question.revisions.map((revision) => (
              <li key={revision.number}>
                <b className="fig">{revision.number}</b> {revision.by}, {day(revision.savedAt)} {timeOfDay(revision.savedAt)}
                {revision.cleared && ' · cleared, this one is dealt'}{' '}
                <button
                  className="act"
                  aria-expanded={shown === revision.number}
                  onClick={() => setShown(shown === revision.number ? null : revision.number)}
                >
                  {revision.number === 1 ? 'what it was' : 'what changed'}
                </button>
                {shown === revision.number && <Difference question={question} number={revision.number} edit={edit} readOnly={readOnly} />}
              </li>
            ))}
          </ul>
        </>
      }
    />
  );
}

/** Where a question stands once an older revision is its newest: its status, and which revision is dealt meanwhile. */
function standing({ status, revision, clearedRevision }: Question): string {
  if (clearedRevision === revision) return `Its status is ${status}, and it is dealt so.`;
  return `Its status is ${status}; ${clearedRevision === null ? 'nothing of it' : `revision ${clearedRevision}`} is dealt until revision ${revision} is cleared.`;
}

function Difference({ question, number, edit, readOnly }: { question: Question; number: number; edit: Edit; readOnly: boolean }) {
  const difference = useQuery({
    queryKey: keys.revision(question.id, number, number === question.revision ? question.version : 0),
    queryFn: () => dataOf(api.GET('/questions/{id}/revisions/{number}', { params: { path: { id: question.id, number } } })),
  });
  const restore = useMutation({
    mutationFn: () =>
      dataOf(
        api.POST('/questions/{id}/restore', { params: { path: { id: question.id } }, body: { version: edit.versionRef.current, number } }),
      ),
    onSuccess: edit.adopt,
  });
  // Only until somebody saves a newer one.
  const done = restore.data && restore.data.revision >= question.revision ? restore.data : null;
  if (!difference.data) return <p className="text-quiet">{difference.error ? errorWords(difference.error) : 'Fetching …'}</p>;
  return (
    <div className="my-1">
      <pre className="difference">
        {difference.data.lines.map((line, i) => (
          <span key={i} className={line.change === 'kept' ? 'text-quiet' : line.change === 'added' ? 'added' : 'gone'}>
            {line.change === 'kept' ? '         ' : line.change === 'added' ? 'added    ' : 'taken out '}
            {line.text}
            {'\n'}
          </span>
        ))}
      </pre>
      {!readOnly && !done && number !== question.revision && (
        <button className="act" disabled={restore.isPending} onClick={() => restore.mutate()}>
          Make revision {number} the newest again
        </button>
      )}
      {done && (
        <p role="status">
          Revision {number} is the newest again, saved as revision {done.revision}. {standing(done)}
        </p>
      )}
      {restore.error && (
        <span className="notice" role="alert">
          {errorWords(restore.error)}
        </span>
      )}
    </div>
  );
}
