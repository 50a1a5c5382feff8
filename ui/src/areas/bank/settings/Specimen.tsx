import { Link } from 'react-router';
import type { Schema } from '../../../api/client';
import { Gauge } from '../../../parts/Gauge';
import { count, duration, figure } from '../../../parts/text/figures';

/** What candidates read of a question that says as little as any itself. */
export function Specimen({ specimen }: { specimen: Schema['Specimen'] | undefined }) {
  if (!specimen) return null;
  const { id, excerpt, how, worth, attempts, time, said } = specimen;
  return (
    <div className="rounded-sm border border-rule bg-margin px-4 py-3" aria-label="Specimen">
      <p>
        <span className="head mr-2">a candidate reads</span>{' '}
        <Link className="act text-sm" to={`/as-seen/${id}`}>
          as seen
        </Link>
      </p>
      <p className="font-reading">{excerpt}</p>
      <p className="text-sm text-soft">
        {how} · <span className="fig">{figure(worth)}</span> {worth === '1' ? 'point' : 'points'} ·{' '}
        {attempts === null ? 'any number of attempts' : count(attempts, 'attempt')} · {time === null ? 'no time limit' : duration(time)}
      </p>
      <p className="mt-1 flex flex-wrap gap-x-5 text-sm">
        {said.map(({ outcome, text }) => (
          <span key={outcome}>
            <Gauge outcome={outcome} />
            {text === '' ? <span className="text-quiet">nothing is said</span> : text}
          </span>
        ))}
      </p>
    </div>
  );
}
