import { Outcome } from '../../../parts/Gauge';
import type { AskedQuestion } from '../../content';

/** The outcome that stands at an answer, or at what was given to a part, once it is told. */
export function AtAnswer({ n, atAnswers }: { n: number; atAnswers: AskedQuestion['atAnswers'] }) {
  const at = atAnswers.find((one) => one.n === n);
  return (
    at && (
      <span className="at-answer">
        <Outcome outcome={at.outcome} />
      </span>
    )
  );
}
