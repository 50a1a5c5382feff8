import { useMutation } from '@tanstack/react-query';
import { use, useEffect, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { api, inWords, take } from '../../api/client';
import { Row } from '../../parts/Sheet';
import { Sure } from '../../parts/Sure';
import { Pick, Value } from '../../parts/Value';
import type { Edit, Question } from './draft';
import { RemarkHere, RemarkThread } from './LineNotes';
import { StandingContext } from './standing';
import { Toggle } from './Toggle';

/** What stands about a question: tags, difficulty, a note to self, whether it is a pattern, remarks that are closed. */
export function AboutRows({ question, edit, readOnly }: { question: Question; edit: Edit; readOnly: boolean }) {
  const { content } = edit.draft;
  const about = useMutation({
    mutationFn: (body: { selfNote?: string; isPattern?: boolean }) =>
      take(api.PUT('/questions/{id}/about', { params: { path: { id: question.id } }, body })),
    onSuccess: edit.rebase,
  });
  const [note, setNote] = useState(question.selfNote);
  const timer = useRef<number | undefined>(undefined);
  useEffect(() => () => window.clearTimeout(timer.current), []);
  const write = (text: string) => {
    setNote(text);
    window.clearTimeout(timer.current);
    timer.current = window.setTimeout(() => about.mutate({ selfNote: text }), 700);
  };
  return (
    <>
      <Row className="pt-5" page={<h2 className="head">about this question</h2>} />
      <Row
        page={
          <p>
            tags{' '}
            <Value
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
            <Pick
              label="Difficulty"
              value={content.difficulty ?? ''}
              options={['', 'easy', 'medium', 'hard'].map((value) => ({ value, words: value === '' ? 'not said' : value }))}
              disabled={readOnly}
              onChange={(value) =>
                edit.edit((c) => {
                  const next = { ...c };
                  delete next.difficulty;
                  return value === 'easy' || value === 'medium' || value === 'hard' ? { ...next, difficulty: value } : next;
                })
              }
            />
            {' · '}
            <Toggle
              on={question.isPattern}
              words={['a house pattern: new questions can be made from it', 'no house pattern']}
              label="This question"
              disabled={readOnly}
              onChange={(isPattern) => about.mutate({ isPattern })}
            />
          </p>
        }
        margin={
          <>
            <RemarkHere where="" words="Remark on the whole question" />
            {about.error && (
              <p className="notice" role="alert">
                {inWords(about.error)}
              </p>
            )}
          </>
        }
      />
      <Row
        page={
          <div className="flex items-baseline gap-2">
            <span className="whitespace-nowrap">note to self</span>
            <textarea
              rows={1}
              aria-label="Note to self"
              placeholder="seen by authors only, no part of the question"
              readOnly={readOnly}
              value={note}
              onChange={(e) => write(e.target.value)}
            />
          </div>
        }
        margin={<Throw question={question} readOnly={readOnly} />}
      />
      <ClosedRemarks />
    </>
  );
}

function ClosedRemarks() {
  const standing = use(StandingContext);
  const [open, setOpen] = useState(false);
  const closed = standing?.remarks.filter((remark) => remark.closedAt !== null) ?? [];
  if (!standing || closed.length === 0) return null;
  return (
    <Row
      page={
        <button className="act" aria-expanded={open} onClick={() => setOpen(!open)}>
          {closed.length === 1 ? '1 closed remark' : `${closed.length} closed remarks`}
        </button>
      }
      margin={open && closed.map((remark) => <RemarkThread key={remark.id} remark={remark} standing={standing} />)}
    />
  );
}

/** A draft that was never cleared can be thrown away; said twice, since it cannot be brought back. */
function Throw({ question, readOnly }: { question: Question; readOnly: boolean }) {
  const navigate = useNavigate();
  const discard = useMutation({
    mutationFn: () => take(api.DELETE('/questions/{id}', { params: { path: { id: question.id } } })),
    onSuccess: () => {
      localStorage.removeItem(`zetema:question:${question.id}`);
      void navigate(`/banks/${question.bank.id}/questions`, { replace: true });
    },
  });
  if (readOnly || question.clearedRevision !== null) return null;
  return (
    <Sure
      ask="throw this draft away"
      act="Throw it away"
      pending={discard.isPending}
      error={discard.error}
      onSure={() => discard.mutate()}
    />
  );
}
