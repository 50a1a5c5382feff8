import { Row } from '../../parts/PageAndMargin';
import type { Margin } from '../content';

type Span = Margin['spans'][number];

/** A decimal or a fraction as a number to draw with. */
function value(text: string | null): number | null {
  if (text === null) return null;
  const [over = 0, under = 1] = text.split('/').map(Number);
  return over / under;
}

const short = (n: number) => String(Number(n.toPrecision(6))).replace('-', '−');

/** What is accepted, drawn: filled ends belong to a span, hollow ones do not; thin spans earn a part. */
export function NumberLine({ spans }: { spans: Span[] }) {
  const ends = spans.flatMap((span) => [value(span.from), value(span.to)]).filter((end) => end !== null);
  if (ends.length === 0) return null;
  const least = Math.min(...ends);
  const most = Math.max(...ends);
  const room = (most - least || Math.abs(most) || 1) * 0.25;
  const [left, right] = [least - room, most + room];
  const x = (n: number) => 20 + (660 * (n - left)) / (right - left);
  const marks = [...new Set(ends)].sort((a, b) => a - b);
  return (
    <Row
      page={
        <svg
          viewBox="0 0 700 62"
          className="mt-2 w-full max-w-2xl"
          role="img"
          aria-label={`Accepted: ${spans.map((span) => span.words).join('; ')}`}
        >
          <line x1="4" x2="696" y1="30" y2="30" stroke="var(--ink-soft)" />
          {spans.map((span, i) => {
            const from = value(span.from);
            const to = value(span.to);
            const [a, b] = [from === null ? 4 : x(from), to === null ? 696 : x(to)];
            return (
              <g key={i}>
                <line x1={a} x2={b} y1="30" y2="30" stroke="var(--right)" strokeWidth={span.share === '1' ? 9 : 4} />
                {from !== null && <End at={a} filled={span.fromIncluded} />}
                {to !== null && to !== from && <End at={b} filled={span.toIncluded} />}
              </g>
            );
          })}
          {marks.map((mark, i) => (
            <text
              key={mark}
              x={x(mark)}
              y={i % 2 === 0 || marks.length < 3 ? 54 : 16}
              textAnchor="middle"
              className="fig"
              fontSize="13"
              fill="var(--ink)"
            >
              {short(mark)}
            </text>
          ))}
        </svg>
      }
      margin={
        <p className="pt-2 text-quiet">
          filled ends are accepted, hollow ones are not{spans.some((span) => span.share !== '1') && '; thin lines earn a part'}
        </p>
      }
    />
  );
}

function End({ at, filled }: { at: number; filled: boolean }) {
  return <circle cx={at} cy="30" r="6" fill={filled ? 'var(--right)' : 'var(--sheet)'} stroke="var(--right)" strokeWidth="2" />;
}
