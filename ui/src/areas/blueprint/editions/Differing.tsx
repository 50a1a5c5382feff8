import { Link } from 'react-router';
import { count } from '../../../parts/text/figures';
import { type Differences, differenceWords } from './differing';

const sorts = [
  ['in', 'more', ''],
  ['out', 'less', ''],
  ['changed', 'reads otherwise', 'read otherwise'],
  ['worth', 'counts otherwise', 'count otherwise'],
] as const;

/** In what one edition differs from another: its plan and rules line by line, its questions by name. */
export function Differing({ bank, differences }: { bank: number; differences: Differences }) {
  const { plan, questions, problem } = differences;
  const lines = sorts.filter(([sort]) => questions[sort].count > 0);
  if (plan.length === 0 && lines.length === 0 && !problem) return <p>Nothing differs.</p>;
  return (
    <>
      {problem && <p className="text-wrong">{problem}</p>}
      <ul className="text-quiet" aria-label="What differs">
        {plan.map((difference) => (
          <li key={JSON.stringify(difference)}>{differenceWords(difference)}</li>
        ))}
        {lines.map(([sort, one, many]) => {
          const { count: all, few } = questions[sort];
          return (
            <li key={sort}>
              {sort === 'in' || sort === 'out' ? `${count(all, 'question')} ${one}` : `${count(all, 'question')} ${all === 1 ? one : many}`}
              {': '}
              {few.map(({ id, words, old, new: now }, i) => (
                <span key={id}>
                  {i > 0 && ', '}
                  <Link className="text-ink" to={`/banks/${bank}/questions/${id}`}>
                    {words}
                  </Link>
                  {sort === 'worth' && ` (${old} → ${now})`}
                </span>
              ))}
              {all > few.length && ` and ${all - few.length} more`}
            </li>
          );
        })}
      </ul>
    </>
  );
}
