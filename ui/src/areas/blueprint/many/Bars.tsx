import { csvOf } from './csv';

interface Props {
  title: string;
  /** what stands along the bottom, and what the bars count */
  along: string;
  counts: string;
  bars: { at: string; n: number }[];
  /** said below it */
  says?: string;
}

const HEIGHT = 64;
const WIDTH = 320;

/** A plot of how often each value came, with the table behind it and the same as a file. */
export function Bars({ title, along, counts, bars, says }: Props) {
  const most = Math.max(1, ...bars.map(({ n }) => n));
  const step = WIDTH / Math.max(1, bars.length);
  const wide = Math.min(24, Math.max(1, step * 0.8));
  const [first, last] = [bars[0], bars.at(-1)];
  const table = [[along, counts], ...bars.map(({ at, n }) => [at, String(n)])];
  return (
    <figure className="min-w-0">
      <figcaption>
        <b>{title}</b> {says && <span className="path">{says}</span>}
      </figcaption>
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT + 16}`}
        className="mt-1 block w-full max-w-[420px]"
        role="img"
        aria-label={`${title}: ${says ?? ''} The numbers are in the table below.`}
      >
        <line x1={0} x2={WIDTH} y1={HEIGHT + 0.5} y2={HEIGHT + 0.5} stroke="var(--rule)" />
        {bars.map(({ at, n }, i) => {
          const height = Math.max(n > 0 ? 1 : 0, (n / most) * (HEIGHT - 4));
          return (
            <rect key={at} x={i * step + (step - wide) / 2} width={wide} y={HEIGHT - height} height={height} fill="var(--moss)">
              <title>{`${at}: ${n}`}</title>
            </rect>
          );
        })}
        {first && (
          <text x={0} y={HEIGHT + 13} fontSize={10} fill="var(--ink-soft)">
            {first.at}
          </text>
        )}
        {last && last !== first && (
          <text x={WIDTH} y={HEIGHT + 13} fontSize={10} textAnchor="end" fill="var(--ink-soft)">
            {last.at}
          </text>
        )}
      </svg>
      <details className="text-sm">
        <summary className="act w-fit cursor-pointer">the numbers</summary>
        <table className="mt-1">
          <thead>
            <tr>
              <th className="pr-4 text-left font-normal">{along}</th>
              <th className="text-right font-normal">{counts}</th>
            </tr>
          </thead>
          <tbody>
            {bars.map(({ at, n }) => (
              <tr key={at}>
                <td className="fig pr-4">{at}</td>
                <td className="fig text-right">{n}</td>
              </tr>
            ))}
          </tbody>
        </table>
        <a className="act" href={csvOf(table)} download={`${title.toLowerCase().replaceAll(/[^a-z]+/g, '-')}.csv`}>
          as a CSV
        </a>
      </details>
    </figure>
  );
}
