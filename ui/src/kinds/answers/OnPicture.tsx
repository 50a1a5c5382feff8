import { type KeyboardEvent, type PointerEvent, use, useRef, useState } from 'react';
import { MediaContext } from '../../parts/media';
import { named } from '../../parts/named';
import { type AnswerProps, mapIn, pointsIn, withPart } from './answers';

function usePicture(question: AnswerProps['question']) {
  const media = use(MediaContext);
  const picture = question.face.picture;
  const medium = picture ? named(media, picture.file) : undefined;
  return {
    medium,
    shows: picture?.shows ?? '',
    width: medium?.width ?? picture?.width ?? 800,
    height: medium?.height ?? picture?.height ?? 600,
  };
}

/** Clicks into a picture, each marked by its number; by keyboard with a crosshair. */
export function Clicks({ question, response, onRespond }: AnswerProps) {
  const { medium, shows, width, height } = usePicture(question);
  const svg = useRef<SVGSVGElement>(null);
  const points = pointsIn(response);
  const most = question.face.clicks ?? null;
  const [cross, setCross] = useState<[number, number] | null>(null);
  const put = (x: number, y: number) => {
    if (question.closed) return;
    // With one click allowed a new one takes the place of the old.
    if (most === 1) onRespond({ points: [[x, y]] }, false);
    else if (most === null || points.length < most) onRespond({ points: [...points, [x, y]] }, false);
  };
  const takeBack = () => {
    const rest = points.slice(0, -1);
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
        {(question.face.areas ?? []).map((area, i) => (
          <AreaOutline key={i} area={area} />
        ))}
        {points.map(([x = 0, y = 0], i) => (
          <ClickMark key={i} x={x} y={y} n={i + 1} width={width} />
        ))}
        {cross && <path className="cross" d={`M${cross[0]} 0V${height}M0 ${cross[1]}H${width}`} />}
      </svg>
      <p className="flex flex-wrap gap-4 pt-1 text-sm text-soft">
        <span role="status">
          {points.length} {points.length === 1 ? 'click' : 'clicks'}
          {most !== null && ` of ${most}`}
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

/** A click, marked by its number. */
export function ClickMark({ x, y, n, width }: { x: number; y: number; n: number; width: number }) {
  return (
    <g className="click">
      <circle cx={x} cy={y} r={width / 55} />
      <text x={x} y={y} fontSize={width / 45} textAnchor="middle" dominantBaseline="central">
        {n}
      </text>
    </g>
  );
}

export function AreaOutline({ area }: { area: string }) {
  const [name, ...rest] = area.split(/[ ,]+/);
  const [x, y, w, h] = rest.map(Number);
  if (name === 'ellipse') return <ellipse className="area-line" cx={x} cy={y} rx={w} ry={h} />;
  if (name === 'rectangle') return <rect className="area-line" x={x} y={y} width={w} height={h} />;
  return <polygon className="area-line" points={rest.join(' ')} />;
}

/** Labels put onto the spots of a picture: press a label, then its spot; or choose the spot's number from the label's list. */
export function Labels({ question, response, onRespond }: AnswerProps) {
  const { medium, shows, width, height } = usePicture(question);
  const { spots = [], labels = [] } = question.face;
  const map = mapIn(response, 'place');
  const [held, setHeld] = useState<number | null>(null);
  const place = (label: number, spot: string) => {
    const holder = spot === '' ? undefined : Object.keys(map).find((other) => map[other] === spot);
    const freed = holder === undefined ? response : withPart(response, 'place', Number(holder), '');
    onRespond(withPart(freed, 'place', label, spot), false);
    setHeld(null);
  };
  if (!medium) return <p className="notice">The picture of this question is missing.</p>;
  return (
    <div className="my-3">
      <svg viewBox={`0 0 ${width} ${height}`} className="board seen" role="group" aria-label={shows}>
        <image href={medium.url} width={width} height={height} />
        {spots.map((spot, i) => {
          const label = Object.keys(map).find((l) => map[l] === String(i + 1));
          const drop = () => {
            if (held !== null) place(held, String(i + 1));
            else if (label !== undefined) setHeld(Number(label));
          };
          return (
            <g
              key={i}
              className="spot"
              role="button"
              tabIndex={question.closed ? undefined : 0}
              aria-label={`Spot ${i + 1}${label === undefined ? ', empty' : `: ${labels[Number(label) - 1] ?? ''}`}`}
              onClick={question.closed ? undefined : drop}
              onDragOver={(e) => e.preventDefault()}
              onDrop={(e) => {
                e.preventDefault();
                place(Number(e.dataTransfer.getData('text/plain')), String(i + 1));
              }}
              onKeyDown={(e) => {
                if (e.key !== 'Enter' && e.key !== ' ') return;
                e.preventDefault();
                e.stopPropagation();
                drop();
              }}
            >
              <circle cx={spot.x} cy={spot.y} r={spot.radius} />
              <text x={spot.x} y={spot.y} fontSize={width / 42} textAnchor="middle" dominantBaseline="central">
                {label === undefined ? i + 1 : labels[Number(label) - 1]}
              </text>
            </g>
          );
        })}
      </svg>
      <ul className="pt-2">
        {labels.map((label, i) => (
          <li key={i} className="flex flex-wrap items-baseline gap-3 border-t border-rule py-1.5">
            <button
              type="button"
              className={`tile m-0! w-auto! px-3! py-1! text-[16px]! ${held === i + 1 ? 'held' : ''}`}
              aria-pressed={held === i + 1}
              draggable={!question.closed}
              disabled={question.closed}
              onDragStart={(e) => e.dataTransfer.setData('text/plain', String(i + 1))}
              onClick={() => setHeld(held === i + 1 ? null : i + 1)}
            >
              {label}
            </button>
            <select
              className="field py-1!"
              aria-label={`Spot for “${label}”`}
              disabled={question.closed}
              value={map[i + 1] ?? ''}
              onChange={(e) => place(i + 1, e.target.value)}
            >
              <option value="">not placed</option>
              {spots.map((_, s) => (
                <option key={s} value={s + 1}>
                  spot {s + 1}
                </option>
              ))}
            </select>
          </li>
        ))}
      </ul>
    </div>
  );
}
