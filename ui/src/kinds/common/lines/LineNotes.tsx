import { type SubmitEvent, use, useState } from 'react';
import type { Schema } from '../../../api/client';
import { day } from '../../../parts/text/moments';
import { isGone, LinesContext, useAt } from './lines';
import { type Standing, StandingContext } from './StandingContext';

/** At a line of the margin: what the proofreader and reviewers say about it. */
export function LineNotes({ where }: { where: string }) {
  const standing = use(StandingContext);
  const lines = use(LinesContext);
  const at = useAt(where);
  if (!standing) return null;
  const proofs = standing.proofs.filter((proof) => proof.where === at);
  // What was said about a line that was taken out is said about the question.
  const comments = standing.comments.filter(
    (comment) => comment.closedAt === null && (comment.where === at || (where === '' && isGone(lines, comment.where))),
  );
  return (
    <>
      {proofs.map((proof) => (
        <Proof key={proof.rule + proof.message} proof={proof} standing={standing} />
      ))}
      {comments.map((comment) => (
        <CommentThread key={comment.id} comment={comment} standing={standing} />
      ))}
    </>
  );
}

function Proof({ proof, standing }: { proof: Schema['Proof']; standing: Standing }) {
  const [open, setOpen] = useState<'why' | 'wave' | null>(null);
  if (proof.waved) {
    return (
      <p className="text-quiet">
        Proofreader waved off: {proof.message} <i>“{proof.waved.reason}”</i> {proof.waved.by}{' '}
        <button className="act" onClick={() => standing.bringBack(proof)}>
          bring back
        </button>
      </p>
    );
  }
  return (
    <div className="proof">
      <p>
        Proofreader: {proof.message}{' '}
        <button className="act" aria-expanded={open === 'why'} onClick={() => setOpen(open === 'why' ? null : 'why')}>
          why
        </button>{' '}
        <button className="act" aria-expanded={open === 'wave'} onClick={() => setOpen(open === 'wave' ? null : 'wave')}>
          wave off
        </button>
      </p>
      {open === 'why' && (
        <p className="text-soft">
          {proof.reason} {proof.remedy}
        </p>
      )}
      {open === 'wave' && (
        <Line
          label="Reason for waving it off"
          button="wave off"
          onSend={(reason) => standing.waveOff(proof, reason)}
          onLeave={() => setOpen(null)}
        />
      )}
    </div>
  );
}

export function CommentThread({ comment, standing }: { comment: Schema['Comment']; standing: Standing }) {
  const [answering, setAnswering] = useState(false);
  const gone = isGone(use(LinesContext), comment.where);
  return (
    <div className="comment">
      <p>
        <b>{comment.by}</b>, {day(comment.at)}
        {gone && ', at a line that was taken out'}: {comment.text}
      </p>
      {comment.answers.map((answer, i) => (
        <p key={i}>
          <b>{answer.by}</b>: {answer.text}
        </p>
      ))}
      {answering ? (
        <Line
          label="Answer to the comment"
          button="answer"
          onSend={(text) => {
            standing.changeComment(comment, { text });
            setAnswering(false);
          }}
          onLeave={() => setAnswering(false)}
        />
      ) : (
        <p>
          <button className="act" onClick={() => setAnswering(true)}>
            answer
          </button>{' '}
          <button className="act" onClick={() => standing.changeComment(comment, { closed: comment.closedAt === null })}>
            {comment.closedAt === null ? 'close' : 'open again'}
          </button>
        </p>
      )}
    </div>
  );
}

/** Lets a comment be made at a line. */
export function CommentHere({ where, words = 'comment' }: { where: string; words?: string }) {
  const standing = use(StandingContext);
  const at = useAt(where);
  const [open, setOpen] = useState(false);
  if (!standing) return null;
  if (!open) {
    return (
      <button className="act" aria-label={`Comment on ${where === '' ? 'the question' : where}`} onClick={() => setOpen(true)}>
        {words}
      </button>
    );
  }
  return (
    <Line
      label={`Comment on ${where === '' ? 'the question' : where}`}
      button="comment"
      onSend={(text) => {
        standing.comment(at, text);
        setOpen(false);
      }}
      onLeave={() => setOpen(false)}
    />
  );
}

/** One line to type a text that is sent at once. */
function Line({ label, button, onSend, onLeave }: { label: string; button: string; onSend: (text: string) => void; onLeave: () => void }) {
  const [text, setText] = useState('');
  const send = (e: SubmitEvent) => {
    e.preventDefault();
    if (text.trim() !== '') onSend(text.trim());
  };
  return (
    <form onSubmit={send} className="mt-1 flex flex-wrap gap-2">
      <input
        className="field min-w-0 flex-1 py-0.5!"
        aria-label={label}
        placeholder={label.toLowerCase()}
        value={text}
        ref={(input) => input?.focus()}
        onChange={(e) => setText(e.target.value)}
        onKeyDown={(e) => e.key === 'Escape' && onLeave()}
      />
      <button className="act" disabled={text.trim() === ''}>
        {button}
      </button>
      <button type="button" className="act" onClick={onLeave}>
        leave
      </button>
    </form>
  );
}
