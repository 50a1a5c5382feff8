import { type ReactNode, useState } from 'react';
import { isMoreThanWords, Rich } from '../../../parts/text/Rich';

/** The picture that a question is answered on: at the width of the page, or twice as large and scrolled. */
export function Board({ children }: { children: ReactNode }) {
  const [large, setLarge] = useState(false);
  return (
    <>
      <div className={large ? 'large-board' : undefined}>{children}</div>
      <p className="text-sm">
        <button type="button" className="act" aria-pressed={large} onClick={() => setLarge(!large)}>
          {large ? 'smaller picture' : 'larger picture'}
        </button>
      </p>
    </>
  );
}

/** A label on its spot, or the spot's number. What is more than plain words is set as such. */
export function SpotText({ x, y, width, text }: { x: number; y: number; width: number; text: string }) {
  const size = width / 42;
  if (!isMoreThanWords(text))
    return (
      <text x={x} y={y} fontSize={size} textAnchor="middle" dominantBaseline="central">
        {text}
      </text>
    );
  return (
    <foreignObject x={x - size * 8} y={y - size * 2} width={size * 16} height={size * 4}>
      <div className="spot-text" style={{ fontSize: size }}>
        <Rich text={text} inline />
      </div>
    </foreignObject>
  );
}
