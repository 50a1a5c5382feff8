import { useMutation } from '@tanstack/react-query';
import { type RefObject, use, useState } from 'react';
import { useNavigate } from 'react-router';
import { api, errorWords, dataOf } from '../../../api/client';
import { Row } from '../../../parts/PageAndMargin';
import { Confirm } from '../../../parts/fields/Confirm';
import { useAutosave } from '../../../parts/hooks/useAutosave';
import { EditableChoice, Editable } from '../../../parts/fields/Editable';
import { ApartLine } from './ApartLine';
import type { Edit, Question } from './useDraft';
import { CommentHere, CommentThread } from '../../../kinds/common/lines/LineNotes';
import { difficulties } from '../../../kinds/facts.gen';
import { StandingContext } from '../../../kinds/common/lines/StandingContext';
import { Toggle } from '../../../parts/fields/Toggle';

/** What stands about a question: tags, difficulty, a note to self, whether it is a pattern, comments that are closed. */
export function AboutRows({ question, edit, readOnly }: { question: Question; edit: Edit; readOnly: boolean }) {
  const { content } = edit.draft;
  const { id } = question;
  const keep = (body: { selfNote?: string; isPattern?: boolean }, over: number, keepalive = false) =>
    dataOf(api.PUT('/questions/{id}/about', { params: { path: { id } }, body: { ...body, version: over }, keepalive }));
  const about = useMutation({
    scope: { id: `question:${id}` },
    mutationFn: (isPattern: boolean) => keep({ isPattern }, edit.versionRef.current),
    onSuccess: edit.rebase,
  });
  const note = useAutosave<string, Question>({
    thing: `question:${id}`,
    shelf: `zetema:note:${id}`,
    initial: question.selfNote,
    versionRef: edit.versionRef,
    save: (selfNote, over, keepalive) => keep({ selfNote }, over, keepalive),
    versionOf: (saved) => saved.version,
    valueOf: (saved) => saved.selfNote,
    onSaved: edit.rebase,
  });
  const error = about.error ?? note.error;
  return (
    <>
      <Row className="pt-5" page={<h2 className="head">about this question</h2>} />
      <Row
        page={
          <p>
            tags{' '}
            <Editable
              plain
              width={24}
              label="Tags, parted by commas"
              value={(content.tags ?? []).join(', ') || 'none'}
              disabled={readOnly}
              onChange={(typed) =>
                edit.edit((c) => ({
                  ...c,
                  tags:
                    typed === 'none'
                      ? []
                      : [
                          ...new Set(
                            typed
                              .split(',')
                              .map((t) => t.trim())
                              .filter((t) => t !== ''),
                          ),
                        ],
                }))
              }
            />
            {' · '}difficulty{' '}
            <EditableChoice<(typeof difficulties)[number] | ''>
              label="Difficulty"
              value={content.difficulty ?? ''}
              options={[{ value: '', words: 'not said' }, ...difficulties.map((value) => ({ value, words: value }))]}
              disabled={readOnly}
              onChange={(value) =>
                edit.edit((c) => {
                  const next = { ...c };
                  delete next.difficulty;
                  return value === '' ? next : { ...next, difficulty: value };
                })
              }
            />
            {' · '}
            <Toggle
              on={question.isPattern}
              words={['a house pattern: new questions can be made from it', 'no house pattern']}
              label="This question"
              disabled={readOnly}
              onChange={(isPattern) => about.mutate(isPattern)}
            />
          </p>
        }
        margin={
          <>
            <CommentHere where="" words="Comment on the whole question" />
            {error && (
              <p className="notice" role="alert">
                {errorWords(error)}{' '}
                {note.theirs && (
                  <>
                    Theirs reads: “{note.theirs.selfNote}”.{' '}
                    <button className="act" onClick={note.takeTheirs}>
                      Take theirs
                    </button>{' '}
                    <button className="act" onClick={note.saveMine}>
                      Save mine over it
                    </button>
                  </>
                )}
              </p>
            )}
          </>
        }
      />
      <Row page={<ApartLine question={question} edit={edit} readOnly={readOnly} />} />
      <Row
        page={
          !readOnly && (
            <div className="flex items-baseline gap-2">
              <span className="whitespace-nowrap">note to self</span>
              <textarea
                rows={1}
                aria-label="Note to self"
                placeholder="seen by authors only, no part of the question"
                value={note.value}
                onChange={(e) => note.put(e.target.value)}
              />
            </div>
          )
        }
        margin={<Throw question={question} versionRef={edit.versionRef} readOnly={readOnly} />}
      />
      <ClosedComments />
    </>
  );
}

function ClosedComments() {
  const standing = use(StandingContext);
  const [open, setOpen] = useState(false);
  const closed = standing?.comments.filter((comment) => comment.closedAt !== null) ?? [];
  if (!standing || closed.length === 0) return null;
  return (
    <Row
      page={
        <button className="act" aria-expanded={open} onClick={() => setOpen(!open)}>
          {closed.length === 1 ? '1 closed comment' : `${closed.length} closed comments`}
        </button>
      }
      margin={open && closed.map((comment) => <CommentThread key={comment.id} comment={comment} standing={standing} />)}
    />
  );
}

/** A draft that was never cleared can be thrown away; it stays in the bank's wastebasket. */
function Throw({ question, versionRef, readOnly }: { question: Question; versionRef: RefObject<number>; readOnly: boolean }) {
  const navigate = useNavigate();
  const discard = useMutation({
    mutationFn: () =>
      dataOf(api.DELETE('/questions/{id}', { params: { path: { id: question.id }, query: { version: versionRef.current } } })),
    onSuccess: () => {
      localStorage.removeItem(`zetema:question:${question.id}`);
      void navigate(`/banks/${question.bank.id}/questions`, { replace: true });
    },
  });
  if (readOnly || question.clearedRevision !== null) return null;
  return (
    <Confirm
      ask="throw this draft away"
      act="Throw it away"
      afterwards="The history of the bank keeps it."
      pending={discard.isPending}
      error={discard.error}
      onSure={() => discard.mutate()}
    />
  );
}
