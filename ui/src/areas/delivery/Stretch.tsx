import type { Sitting, useSitting } from './useSitting';

interface Props {
  sitting: Sitting;
  /** the question that is shown; none at the end behind them */
  n?: number;
  act: ReturnType<typeof useSitting>['act'];
  /** wants another question, of this screen or another */
  onGo: (n: number) => void;
}

/** The questions that can be moved to from here, by number: those of this screen, and of others. */
export function Stretch({ sitting, n, act, onGo }: Props) {
  if (sitting.stretch.length < 2) return null;
  return (
    <p className="flex flex-wrap items-baseline gap-x-4 gap-y-1 text-sm text-soft">
      to question
      {sitting.stretch.map((q) => (
        <button
          key={q.n}
          className="act"
          aria-current={q.n === n ? 'true' : undefined}
          disabled={q.n === n || q.isLeft}
          onClick={() => {
            onGo(q.n);
            if (!q.isHere) act('went to', q.n);
          }}
        >
          {q.n}
          {q.isFlagged ? ', to come back to' : q.isAnswered ? ', answered' : ', open'}
        </button>
      ))}
    </p>
  );
}
