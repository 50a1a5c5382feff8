import { errorWords, type Schema } from '../../api/client';
import type { Decision } from './brought';
import { count } from '../../parts/text/figures';

/** How much was read and what is wrong with it; taking it in. */
export function Summary(props: {
  understood: Schema['Understood'] | undefined;
  ready: number;
  known: Schema['UnderstoodQuestion'][];
  /** whether anything was said about what the bank has */
  decided: boolean;
  onDecideAll: (decision: Decision) => void;
  stale: boolean;
  pending: boolean;
  error: unknown;
  onTakeIn: () => void;
}) {
  const { understood, ready, known, decided, onDecideAll, stale, pending, error, onTakeIn } = props;
  const broken = understood?.questions.filter((q) => q.question === null || q.problems.length > 0).length ?? 0;
  const same = known.filter((q) => q.known?.isSame).length;
  const lines = understood?.problems.length ?? 0;
  const differ = known.filter((q) => !q.known?.isSame).length;
  // What this bank wrote comes back to it mostly as changed questions.
  const isBack = understood?.isOwn === true && differ > 0 && !decided;
  return (
    <>
      {isBack && (
        <p className="mb-1">
          This bank wrote the file.{' '}
          <button className="btn main whitespace-nowrap" onClick={() => onDecideAll('revise')}>
            Make {differ === 1 ? 'a new revision of the one' : `new revisions of the ${differ}`} that {differ === 1 ? 'differs' : 'differ'}
          </button>
        </p>
      )}
      <p className="flex items-baseline gap-4">
        <button className={`btn whitespace-nowrap ${isBack ? '' : 'main'}`} disabled={ready === 0 || stale || pending} onClick={onTakeIn}>
          Take in {ready > 0 ? count(ready, 'question') : ''}
        </button>
        <span aria-live="polite">{understood ? readWords(understood.questions.length, broken) : 'nothing read yet'}</span>
      </p>
      {(broken > 0 || lines > 0) && (
        <p className="mt-1 text-wrong">
          {broken > 0 && `${count(broken, 'question')} with problems ${broken === 1 ? 'stays' : 'stay'} in the text until put right. `}
          {lines > 0 && `${count(lines, 'line')} ${lines === 1 ? 'belongs' : 'belong'} to no question.`}
        </p>
      )}
      {known.length > 0 && (
        <p className="mt-1">
          {count(known.length, 'question')} the bank has{same > 0 && `, ${same} the same`}:{' '}
          <button className="act" onClick={() => onDecideAll('revise')}>
            new revisions of all that differ
          </button>{' '}
          ·{' '}
          <button className="act" onClick={() => onDecideAll('another')}>
            others
          </button>{' '}
          ·{' '}
          <button className="act" onClick={() => onDecideAll('leave')}>
            leave all
          </button>
        </p>
      )}
      {understood && understood.bankSettings.length > 0 && (
        <p className="mt-1">
          Settings that this bank does not make yet come with it:{' '}
          {understood.bankSettings.map(({ kind, setting, value }) => `${setting} ${value}${kind === null ? '' : ` (${kind})`}`).join(', ')}.
        </p>
      )}
      {understood && understood.pages.length > 0 && (
        <p className="mt-1">
          {count(understood.pages.length, 'page')} {understood.pages.length === 1 ? 'comes' : 'come'} with it: {understood.pages.join(', ')}
          . Pages whose name the bank has already stay as they are there.
        </p>
      )}
      {error !== null && error !== undefined && (
        <p className="notice mt-1" role="alert">
          {errorWords(error)}
        </p>
      )}
    </>
  );
}

/** What came of reading: a question with problems is found, and not understood. */
function readWords(found: number, broken: number): string {
  if (broken === 0) return `${count(found, 'question')} read`;
  return `${broken === found ? 'none' : String(found - broken)} of ${count(found, 'question')} understood`;
}
