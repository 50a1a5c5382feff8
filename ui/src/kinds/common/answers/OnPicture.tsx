import { use } from 'react';
import type { Schema } from '../../../api/client';
import { MediaContext } from '../../../parts/text/media';
import { named } from '../../../parts/text/named';

/** The picture of a question with its size in pixels. */
export function useShown(picture: Schema['Picture']) {
  const medium = named(use(MediaContext), picture.file);
  return { medium, shows: picture.shows, width: medium?.width ?? picture.width ?? 800, height: medium?.height ?? picture.height ?? 600 };
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
