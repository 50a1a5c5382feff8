import { type KeyboardEvent, type PointerEvent, useRef, useState } from 'react';
import { useKeys } from '../../../parts/hooks/useKeys';
import type { Medium } from '../../../parts/text/media';
import { anchor, cornersOf, moved, resized, type Shape, type ShapeName, spanned, withCornerAt, withoutCorner } from './shapes';

interface Props {
  medium: Medium;
  shows: string;
  shapes: Shape[];
  /** Names of the shapes that can be drawn here. */
  draws: ShapeName[];
  what: string;
  readOnly: boolean;
  onAdd: (shape: Shape) => void;
  onChange: (i: number, shape: Shape) => void;
  onRemove: (i: number) => void;
  /** A spot is a circle: both radii are one. */
  round?: boolean;
}

type Grip =
  | { i: number; from: [number, number]; shape: Shape; size: boolean }
  | { i: number; corner: number; from: [number, number]; shape: Shape }
  | { draw: ShapeName; from: [number, number] };

/** A picture to draw areas or spots on: with the pointer, or with the arrow keys. Outlines in ink with their number. */
export function PictureBoard({ medium, shows, shapes, draws, what, readOnly, onAdd, onChange, onRemove, round = false }: Props) {
  const svg = useRef<SVGSVGElement>(null);
  const [tool, setTool] = useState<ShapeName | null>(null);
  const [grip, setGrip] = useState<Grip | null>(null);
  const [drawn, setDrawn] = useState<Shape | null>(null);
  const [corners, setCorners] = useState<number[]>([]);
  const width = medium.width ?? 800;
  const height = medium.height ?? 600;
  const circle = (shape: Shape): Shape =>
    round ? { ...shape, numbers: [...shape.numbers.slice(0, 2), shape.numbers[2] ?? 1, shape.numbers[2] ?? 1] } : shape;

  const at = (e: PointerEvent): [number, number] => {
    const box = svg.current?.getBoundingClientRect();
    if (!box) return [0, 0];
    const x = ((e.clientX - box.left) * width) / box.width;
    const y = ((e.clientY - box.top) * height) / box.height;
    return [Math.max(0, Math.min(width - 1, Math.round(x))), Math.max(0, Math.min(height - 1, Math.round(y)))];
  };
  const down = (e: PointerEvent) => {
    if (readOnly || tool === null) return;
    if (tool === 'polygon') setCorners(withCorner(corners, at(e), width / 80));
    else {
      svg.current?.setPointerCapture(e.pointerId);
      setGrip({ draw: tool, from: at(e) });
    }
  };
  const move = (e: PointerEvent) => {
    if (!grip) return;
    const to = at(e);
    const [dx, dy] = [to[0] - grip.from[0], to[1] - grip.from[1]];
    if ('draw' in grip) {
      if (grip.draw !== 'polygon') setDrawn(circle(spanned(grip.draw, grip.from, to)));
    } else if ('corner' in grip) onChange(grip.i, withCornerAt(grip.shape, grip.corner, to));
    else if (grip.size) onChange(grip.i, circle(resized(grip.shape, dx, round ? dx : dy)));
    else onChange(grip.i, moved(grip.shape, dx, dy, width, height));
  };
  const up = () => {
    if (drawn) {
      onAdd(drawn);
      setTool(null);
    }
    setDrawn(null);
    setGrip(null);
  };
  const close = () => {
    if (corners.length >= 6) onAdd({ name: 'polygon', numbers: corners });
    setCorners([]);
    setTool(null);
  };
  useKeys((e) => {
    if (tool === null || (e.key !== 'Escape' && !(e.key === 'Enter' && tool === 'polygon' && corners.length >= 6))) return;
    e.preventDefault();
    if (e.key === 'Enter') {
      close();
      return;
    }
    setCorners([]);
    setDrawn(null);
    setGrip(null);
    setTool(null);
  });
  const cornerKeys = (i: number, shape: Shape, corner: number) => (e: KeyboardEvent) => {
    const step = e.shiftKey ? 10 : 1;
    const way = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[e.key];
    const [x = 0, y = 0] = cornersOf(shape)[corner] ?? [];
    if (way) {
      const bound = (n: number, most: number) => Math.max(0, Math.min(most - 1, n));
      onChange(i, withCornerAt(shape, corner, [bound(x + (way[0] ?? 0) * step, width), bound(y + (way[1] ?? 0) * step, height)]));
    } else if (e.key === 'Delete') {
      if (cornersOf(shape).length > 3) onChange(i, withoutCorner(shape, corner));
    } else return;
    e.preventDefault();
    e.stopPropagation();
  };
  const middle = (name: ShapeName): Shape => {
    const [x, y, r] = [Math.round(width / 2), Math.round(height / 2), Math.round(Math.min(width, height) / 10)];
    if (name === 'polygon') return { name, numbers: [x, y - r, x + r, y + r, x - r, y + r] };
    return name === 'rectangle' ? { name, numbers: [x - r, y - r, 2 * r, 2 * r] } : { name, numbers: [x, y, r, r] };
  };
  const keys = (i: number, shape: Shape) => (e: KeyboardEvent) => {
    const step = e.shiftKey ? 10 : 1;
    const way = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[e.key];
    if (way) {
      const [dx = 0, dy = 0] = way.map((n) => n * step);
      onChange(i, circle(e.altKey ? resized(shape, dx, round ? dx : dy) : moved(shape, dx, dy, width, height)));
    } else if (e.key === 'Delete') onRemove(i);
    else return;
    e.preventDefault();
  };
  return (
    <div>
      {!readOnly && (
        <p className="board-tools flex flex-wrap gap-x-4 py-1 text-sm text-soft">
          {draws.map((name) => (
            <span key={name}>
              <button className="act" aria-pressed={tool === name} onClick={() => setTool(tool === name ? null : name)}>
                draw {round ? 'a spot' : `${name === 'ellipse' ? 'an' : 'a'} ${name}`}
              </button>{' '}
              or{' '}
              <button className="act" onClick={() => onAdd(circle(middle(name)))}>
                put one in the middle
              </button>
            </span>
          ))}
        </p>
      )}
      {!readOnly && (
        <p role="status" className="text-sm text-soft">
          {tool === 'polygon'
            ? corners.length >= 6
              ? 'Enter, a double click, or '
              : 'click its corners; Esc leaves it'
            : tool
              ? 'drag across the picture; Esc leaves it'
              : 'drag one to move it, a corner to change it; or Tab to it and use the arrows'}
          {tool === 'polygon' && corners.length >= 6 && (
            <button className="act" onClick={close}>
              close the polygon
            </button>
          )}
        </p>
      )}
      <svg
        ref={svg}
        viewBox={`0 0 ${width} ${height}`}
        className={`board ${tool ? 'drawing' : ''}`}
        role="group"
        aria-label={shows || medium.name}
        onPointerDown={down}
        onPointerMove={move}
        onPointerUp={up}
        onDoubleClick={close}
      >
        <image href={medium.url} width={width} height={height} />
        {shapes.map((shape, i) => (
          <g
            key={i}
            className="shape"
            tabIndex={readOnly ? undefined : 0}
            role="button"
            aria-label={`${what} ${i + 1}, arrows move it, with Alt they resize it, Delete takes it out`}
            onKeyDown={readOnly ? undefined : keys(i, shape)}
            onPointerDown={(e) => {
              if (readOnly || tool !== null) return;
              e.stopPropagation();
              e.currentTarget.focus();
              svg.current?.setPointerCapture(e.pointerId);
              setGrip({ i, from: at(e), shape, size: false });
            }}
          >
            <Outline shape={shape} />
            <Number shape={shape} n={i + 1} width={width} />
            {!readOnly && shape.name === 'polygon' && (
              <CornerGrips
                shape={shape}
                label={`${what} ${i + 1}`}
                width={width}
                onKeyDown={(corner) => cornerKeys(i, shape, corner)}
                onPointerDown={(e, corner) => {
                  e.stopPropagation();
                  svg.current?.setPointerCapture(e.pointerId);
                  setGrip({ i, corner, from: at(e), shape });
                }}
              />
            )}
            {!readOnly && shape.name !== 'polygon' && (
              <SizeGrip
                shape={shape}
                width={width}
                onPointerDown={(e) => {
                  e.stopPropagation();
                  svg.current?.setPointerCapture(e.pointerId);
                  setGrip({ i, from: at(e), shape, size: true });
                }}
              />
            )}
          </g>
        ))}
        {drawn && <Outline shape={drawn} />}
        {corners.length > 0 && <polyline className="area-line" points={corners.join(' ')} />}
      </svg>
    </div>
  );
}

/** A corner where the last one is already is none: a double click, which closes the polygon, presses twice. */
const withCorner = (corners: number[], [x, y]: [number, number], near: number) =>
  corners.length > 1 && Math.abs((corners.at(-2) ?? 0) - x) + Math.abs((corners.at(-1) ?? 0) - y) < near ? corners : [...corners, x, y];

export function Outline({ shape, className = 'area-line' }: { shape: Shape; className?: string }) {
  const [x, y, w, h] = shape.numbers;
  if (shape.name === 'ellipse') return <ellipse className={className} cx={x} cy={y} rx={w} ry={h} />;
  if (shape.name === 'rectangle') return <rect className={className} x={x} y={y} width={w} height={h} />;
  return <polygon className={className} points={shape.numbers.join(' ')} />;
}

export function Number({ shape, n, width }: { shape: Shape; n: number; width: number }) {
  const [x, y] = anchor(shape);
  return (
    <text className="shape-number" x={x} y={y} fontSize={Math.max(12, width / 40)} textAnchor="middle" dominantBaseline="central">
      {n}
    </text>
  );
}

function SizeGrip({ shape, width, onPointerDown }: { shape: Shape; width: number; onPointerDown: (e: PointerEvent) => void }) {
  const [x = 0, y = 0, w = 0, h = 0] = shape.numbers;
  const size = Math.max(8, width / 70);
  const [cx, cy] = shape.name === 'ellipse' ? [x + w * 0.707, y + h * 0.707] : [x + w, y + h];
  return <rect className="grip" x={cx - size / 2} y={cy - size / 2} width={size} height={size} onPointerDown={onPointerDown} />;
}

/** Each corner of a polygon can be moved by itself; Delete takes it out where three stay. */
function CornerGrips(props: {
  shape: Shape;
  label: string;
  width: number;
  onPointerDown: (e: PointerEvent, corner: number) => void;
  onKeyDown: (corner: number) => (e: KeyboardEvent) => void;
}) {
  const size = Math.max(8, props.width / 70);
  return cornersOf(props.shape).map(([x, y], corner) => (
    <rect
      key={corner}
      className="grip"
      tabIndex={0}
      role="button"
      aria-label={`${props.label}, corner ${corner + 1}: arrows move it, Delete takes it out`}
      x={x - size / 2}
      y={y - size / 2}
      width={size}
      height={size}
      onKeyDown={props.onKeyDown(corner)}
      onPointerDown={(e) => {
        e.currentTarget.focus();
        props.onPointerDown(e, corner);
      }}
    />
  ));
}
