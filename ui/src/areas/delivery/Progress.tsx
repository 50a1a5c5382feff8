import { useState } from 'react';
import { runs } from '../../parts/text/figures';
import { Rich } from '../../parts/text/Rich';
import type { Sitting } from './useSitting';

/** How far it is, as one line of text, and as a list to go by. */
export function Progress({ sitting, at, onGo }: { sitting: Sitting; at: number; onGo: (n: number) => void }) {
  const [listed, setListed] = useState(false);
  const numbers = (wanted: (q: Sitting['questions'][number]) => boolean) => runs(sitting.questions.filter(wanted).map((q) => q.n));
  const answered = numbers((q) => q.answered);
  const flagged = numbers((q) => q.flagged);
  const open = numbers((q) => !q.answered);
  const line = [answered && `Answered ${answered}`, flagged && `to come back to ${flagged}`, open && `still open ${open}`]
    .filter(Boolean)
    .join(' · ');
  return (
    <div className="text-sm text-soft">
      <p>
        {line}{' '}
        <button className="act ml-2" aria-expanded={listed} onClick={() => setListed(!listed)}>
          {listed ? 'put the list away' : 'list'}
        </button>
      </p>
      {listed && (
        <ol className="mt-2">
          {sitting.questions.map((q) => (
            <li key={q.n} className="grid grid-cols-[28px_1fr_auto] gap-2 border-t border-rule py-1">
              <span className="fig">{q.n}</span>
              <button
                className="truncate text-left font-reading text-ink hover:underline"
                aria-current={q.n === at ? 'true' : undefined}
                onClick={() => onGo(q.n)}
              >
                <Rich text={q.stem} inline />
              </button>
              <span>
                {q.answered ? 'answered' : 'open'}
                {q.flagged && ', to come back to'}
              </span>
            </li>
          ))}
        </ol>
      )}
    </div>
  );
}
