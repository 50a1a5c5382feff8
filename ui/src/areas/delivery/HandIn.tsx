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
      <Row className="pt-4 pb-1" page={<h1 className="stem">{whatItMeans(sitting, blank.length)}</h1>} margin={savedLine} />
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
              {sitting.questions.length > 1 ? 'Back to the questions' : 'Back'}
            </button>
          </p>
        }
        margin={<p>Once handed in, nothing can be changed.</p>}
      />
    </>
  );
}

/** What handing in now means. */
function whatItMeans({ screen, stretch, questions }: Sitting, blank: number): string {
  const open = stretch.filter((q) => !q.isAnswered).length;
  if (stretch.length > questions.length)
    return open === 0 ? 'Every question here is answered.' : `${count(open, 'question is', 'questions are')} unanswered here.`;
  if (screen?.goesOn === true) return 'You are not at the end: whatever is still to come counts as unanswered.';
  return blank === 0 ? 'Every question is answered.' : `${count(blank, 'question is', 'questions are')} unanswered.`;
}
