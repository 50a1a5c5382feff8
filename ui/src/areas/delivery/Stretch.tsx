import type { Sitting, useSitting } from './useSitting';

/** The questions that can be moved to from here, each on a screen of its own, by number. */
export function Stretch({ sitting, act }: { sitting: Sitting; act: ReturnType<typeof useSitting>['act'] }) {
  if (sitting.stretch.length < 2) return null;
  return (
    <p className="flex flex-wrap items-baseline gap-x-4 gap-y-1 text-sm text-soft">
      to question
      {sitting.stretch.map((q) => (
        <button
          key={q.n}
          className="act"
          aria-current={q.isHere ? 'true' : undefined}
          disabled={q.isHere || q.isLeft}
          onClick={() => act('went to', q.n)}
        >
          {q.n}
          {q.isFlagged ? ', to come back to' : q.isAnswered ? ', answered' : ', open'}
        </button>
      ))}
    </p>
  );
}
