import type { ReactNode } from 'react';
import { count } from '../../parts/text/figures';
import { Rich } from '../../parts/text/Rich';
import { Row } from '../../parts/PageAndMargin';
import type { SavedState, Sitting } from './useSitting';

/** The last look: what is unanswered or to come back to, each a click away, and the way to hand in. */
export function HandIn(props: {
  sitting: Sitting;
  saved: SavedState;
  onBack: (n?: number) => void;
  onHandIn: () => void;
  savedLine: ReactNode;
}) {
  const { sitting, saved, onBack, onHandIn, savedLine } = props;
  const blank = sitting.questions.filter((q) => !q.answered);
  const flagged = sitting.questions.filter((q) => q.answered && q.flagged);
  return (
    <>
      <Row
        page={
          <h1 className="stem">
            {blank.length === 0 ? 'Every question is answered.' : `${count(blank.length, 'question is', 'questions are')} unanswered.`}
          </h1>
        }
        margin={savedLine}
      />
      {[...blank, ...flagged].map((q) => (
        <Row
          key={q.n}
          line
          page={
            <button className="w-full truncate text-left font-reading text-ink hover:underline" onClick={() => onBack(q.n)}>
              <span className="fig mr-3 text-quiet">{q.n}</span>
              <Rich text={q.stem} inline />
            </button>
          }
          margin={<p>{q.answered ? 'to come back to' : 'unanswered'}</p>}
        />
      ))}
      <Row
        className="pt-5"
        page={
          <p className="flex flex-wrap items-baseline gap-5">
            <button className="btn main" disabled={saved !== 'saved'} onClick={onHandIn}>
              Hand in the paper
            </button>
            <button className="act" onClick={() => onBack()}>
              Back to the questions
            </button>
          </p>
        }
        margin={<p>Once handed in, nothing can be changed.</p>}
      />
    </>
  );
}
