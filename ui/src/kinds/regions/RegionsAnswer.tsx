import { type KeyboardEvent, type PointerEvent, useRef, useState } from 'react';
import { Board } from '../common/answers/Board';
import { AreaOutline, ClickMark, useShown } from '../common/answers/OnPicture';
import type { AnswerProps } from '../kindUi';

/** Clicks into a picture, each marked by its number; by keyboard with a crosshair. */
export function RegionsAnswer({ question, response, onRespond }: AnswerProps<'regions'>) {
  const { medium, shows, width, height } = useShown(question.answers.picture);
  const svg = useRef<SVGSVGElement>(null);
  const points = response && 'points' in response ? response.points : [];
  const most = question.answers.clicks;
  const [moved, setMoved] = useState(false);
  const [cross, setCross] = useState<[number, number] | null>(null);
  const put = (x: number, y: number) => {
    if (question.closed) return;
    // Beyond the most that is allowed a new click takes the place of the last.
    const full = most !== null && points.length >= most;
    setMoved(full);
    onRespond({ points: [...(full ? points.slice(0, most - 1) : points), [x, y]] }, false);
  };
  const takeBack = () => {
    const rest = points.slice(0, -1);
    setMoved(false);
    onRespond(rest.length === 0 ? null : { points: rest }, false);
  };
  const click = (e: PointerEvent) => {
    const box = svg.current?.getBoundingClientRect();
    if (!box) return;
    const inside = (n: number, size: number) => Math.max(0, Math.min(size - 1, Math.floor(n)));
    put(inside(((e.clientX - box.left) * width) / box.width, width), inside(((e.clientY - box.top) * height) / box.height, height));
  };
  const keys = (e: KeyboardEvent) => {
    const step = e.shiftKey ? 1 : 10;
    const way = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[e.key];
    const [x, y] = cross ?? [Math.round(width / 2), Math.round(height / 2)];
    if (way)
      setCross([Math.max(0, Math.min(width - 1, x + (way[0] ?? 0) * step)), Math.max(0, Math.min(height - 1, y + (way[1] ?? 0) * step))]);
    else if (e.key === 'Enter' || e.key === ' ') put(x, y);
    else if (e.key === 'Backspace') takeBack();
    else return;
    e.preventDefault();
    e.stopPropagation();
  };
  if (!medium) return <p className="notice">The picture of this question is missing.</p>;
  return (
    <div className="my-3">
      <Board>
        <svg
          ref={svg}
          viewBox={`0 0 ${width} ${height}`}
          className="board seen"
          role="application"
          aria-label={`${shows}. Arrow keys move a crosshair, Enter clicks, Backspace takes a click back.`}
          tabIndex={0}
          onPointerDown={click}
          onKeyDown={keys}
          onBlur={() => setCross(null)}
        >
          <image href={medium.url} width={width} height={height} />
          {question.answers.areas.map((area, i) => (
            <AreaOutline key={i} area={area} />
          ))}
          {points.map(([x = 0, y = 0], i) => (
            <ClickMark key={i} x={x} y={y} n={i + 1} width={width} />
          ))}
          {cross && <path className="cross" d={`M${cross[0]} 0V${height}M0 ${cross[1]}H${width}`} />}
        </svg>
      </Board>
      <p className="flex flex-wrap gap-4 pt-1 text-sm text-soft">
        <span role="status">
          {points.length} {points.length === 1 ? 'click' : 'clicks'}
          {most !== null && ` of ${most}`}
          {moved && most !== null && (most === 1 ? ': it was moved' : `: no more than ${most}, so the last one was moved`)}
          {cross && `, crosshair at ${cross[0]}, ${cross[1]}`}
        </span>
        {points.length > 0 && !question.closed && (
          <button type="button" className="act" onClick={takeBack}>
            take the last click back
          </button>
        )}
      </p>
    </div>
  );
}
