import { use } from 'react';
import type { Schema } from '../../../api/client';
import { MediaContext } from '../../../parts/text/media';
import { named } from '../../../parts/text/named';
import { SpotText } from './Board';
import { AreaOutline, ClickMark } from './OnPicture';

/** The picture of a question as it was answered: numbered clicks, labels on their spots, and the right areas where the key is shown. */
export function AnsweredPicture({ answered }: { answered: Schema['AnsweredPicture'] }) {
  const { picture, clicks, areas, labels } = answered;
  const medium = named(use(MediaContext), picture.file);
  if (!medium) return null;
  const width = medium.width ?? picture.width ?? 800;
  const height = medium.height ?? picture.height ?? 600;
  return (
    <figure className="my-2 max-w-md">
      <svg viewBox={`0 0 ${width} ${height}`} className="board seen" role="img" aria-label={picture.shows}>
        <image href={medium.url} width={width} height={height} />
        {areas.map(({ area }, i) => (
          <AreaOutline key={i} area={area} />
        ))}
        {labels.map((label, i) => (
          <g key={i} className="spot">
            <circle cx={label.x} cy={label.y} r={label.radius} />
            <SpotText x={label.x} y={label.y} width={width} text={label.text} />
          </g>
        ))}
        {clicks.map(([x = 0, y = 0], i) => (
          <ClickMark key={i} x={x} y={y} n={i + 1} width={width} />
        ))}
      </svg>
      {areas.length > 0 && (
        <figcaption className="text-sm text-soft">
          outlined: {areas.map(({ name }) => name ?? (areas.length === 1 ? 'the right place' : 'a right place')).join(', ')}
        </figcaption>
      )}
    </figure>
  );
}
