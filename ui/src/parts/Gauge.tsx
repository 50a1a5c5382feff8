import type { Schema } from '../api/client';

const shapes: Record<Schema['Outcome'], string> = {
  right: 'right',
  'partly right': 'partly',
  wrong: 'wrong',
  unanswered: 'unanswered',
  'out of time': 'late',
  recorded: 'recorded',
};

/** The upright gauge that tells an outcome by its shape; the word always stands beside it. */
export function Gauge({ outcome, earned, max }: { outcome: Schema['Outcome']; earned?: string | null; max?: string | null }) {
  const share = Number(max) > 0 ? Math.round((100 * Number(earned)) / Number(max)) : 50;
  return (
    <span
      className={`g ${shapes[outcome]}`}
      style={outcome === 'partly right' ? { ['--share' as string]: `${Math.max(8, share)}%` } : undefined}
      aria-hidden
    />
  );
}

export function Outcome(props: { outcome: Schema['Outcome']; earned?: string | null; max?: string | null }) {
  return (
    <span className="whitespace-nowrap">
      <Gauge {...props} />
      {props.outcome}
    </span>
  );
}
