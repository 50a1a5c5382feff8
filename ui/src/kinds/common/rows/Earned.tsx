import { figure } from '../../../parts/text/figures';
import type { Margin } from '../../content';
import { useAt } from '../lines/lines';

/** "earns 10, then 5", or what it costs. */
export function Earned({ margin, line }: { margin: Margin | null; line: string }) {
  const at = useAt(line);
  const earned = margin?.lines[at]?.earned;
  if (!earned) return <span className="text-quiet">{margin ? 'earns nothing' : 'not whole yet'}</span>;
  const [first = '0', ...later] = earned;
  const changes = later.filter((value, i) => value !== (earned[i] ?? ''));
  return (
    <>
      {Number(first) > 0 && 'earns '}
      <b className="fig">{figure(first)}</b>
      {changes.map((value, i) => (
        <span key={i}>
          , then <b className="fig">{figure(value)}</b>
        </span>
      ))}
    </>
  );
}
