import type { Schema } from '../../api/client';
import { Moving } from '../../parts/Moving';
import { Row } from '../../parts/PageAndMargin';
import { Editable } from '../../parts/fields/Editable';
import type { Part } from '../content';
import type { RowsProps } from '../kindUi';
import { Handle } from '../common/rows/Handle';
import { PartMarks, PartRow } from '../common/rows/PartRow';
import { PictureBoard } from '../common/picture/PictureBoard';
import { PictureRow } from '../common/picture/PictureRow';
import { RowFoot } from '../common/rows/RowFoot';
import { isWeighed, nextId } from '../common/rows/rows';
import type { Shape } from '../common/picture/shapes';
import { useRows } from '../common/rows/useRows';

type Spot = Schema['Spot'];

const shapeOf = (spot: Spot): Shape => ({ name: 'ellipse', numbers: [spot.x, spot.y, spot.radius, spot.radius] });
const at = ({ numbers: [x = 0, y = 0, radius = 20] }: Shape) => ({ x, y, radius });

/** The picture with its spots, then the spots by number and the labels that belong to them. */
export function PlaceRows({ content, margin, readOnly, edit, bank }: RowsProps<'place'>) {
  const { picture, spots, labels } = content;
  const set = (list: Part[]) => edit((c) => ({ ...c, labels: list }));
  const change = (i: number, part: Partial<Part>) => set(labels.map((l, j) => (j === i ? { ...l, ...part } : l)));
  const changeSpot = (i: number, part: Partial<Spot>) =>
    edit((c) => ({ ...c, spots: spots.map((s, j) => (j === i ? { ...s, ...part } : s)) }));
  /** Labels keep to their spot when a spot before it goes. */
  const removeSpot = (i: number) =>
    edit((c) => ({
      ...c,
      spots: spots.toSpliced(i, 1),
      labels: labels.map((l) => ({
        ...l,
        belongs: (l.belongs ?? []).filter((n) => Number(n) !== i + 1).map((n) => String(Number(n) > i + 1 ? Number(n) - 1 : Number(n))),
      })),
    }));
  const rows = useRows<Part>({
    rows: labels,
    set,
    make: (text, all, copied) => ({
      belongs: [String(Math.min(spots.length, all.length + 1))].filter((n) => n !== '0'),
      ...(isWeighed(content) && { earns: '1' }),
      ...copied,
      id: nextId(all),
      text: copied && text === '' ? copied.text : text,
    }),
    isEmpty: (label) => label.text === '',
    least: 0,
  });
  const belong = (i: number, typed: string) => {
    const numbers = typed.split(/[ ,]+/).filter((n) => /^[1-9]\d?$/.test(n));
    change(i, { belongs: numbers });
  };
  return (
    <>
      <PictureRow
        picture={picture}
        readOnly={readOnly}
        onPicture={(chosen) => edit((c) => ({ ...c, picture: chosen }))}
        bank={bank}
        margin={<p>each spot takes one label; a spot may stay without</p>}
      >
        {(medium) => (
          <PictureBoard
            round
            medium={medium}
            shows={picture.shows}
            shapes={spots.map(shapeOf)}
            draws={['ellipse']}
            what="Spot"
            readOnly={readOnly}
            onAdd={(shape) => edit((c) => ({ ...c, spots: [...spots, { ...at(shape), name: null }] }))}
            onChange={(i, shape) => changeSpot(i, at(shape))}
            onRemove={removeSpot}
          />
        )}
      </PictureRow>
      {spots.map((spot, i) => (
        <Row
          key={`spot ${i}`}
          line
          page={
            <div className="flex flex-wrap items-baseline gap-3">
              <Handle
                i={i}
                what="Spot"
                readOnly={readOnly}
                moves={false}
                onCopy={() => edit((c) => ({ ...c, spots: [...spots, { ...spot, x: spot.x + 10 }] }))}
                onUp={() => undefined}
                onDown={() => undefined}
                onRemove={() => removeSpot(i)}
              />
              <span className="text-sm text-quiet">spot</span>
              <input
                data-draft
                className="min-w-40 flex-1 font-reading text-[17px] outline-none"
                aria-label={`Name of spot ${i + 1}`}
                placeholder="what is there; candidates do not see it"
                readOnly={readOnly}
                value={spot.name ?? ''}
                onChange={(e) => changeSpot(i, { name: e.target.value === '' ? null : e.target.value })}
              />
              <Editable
                label={`Numbers of spot ${i + 1}: x, y, radius`}
                width={14}
                value={`${spot.x} ${spot.y} ${spot.radius}`}
                disabled={readOnly}
                onChange={(typed) => {
                  const [x = spot.x, y = spot.y, radius = spot.radius] = typed.split(/[ ,]+/).map((n) => Math.round(Number(n)));
                  if ([x, y, radius].every(Number.isFinite)) changeSpot(i, { x, y, radius: Math.max(1, radius) });
                }}
              />
            </div>
          }
          margin={<p className="text-quiet">x, y, radius in pixels</p>}
        />
      ))}
      <Moving what="Label" onMove={rows.move}>
        {labels.map((label, i) => {
          const belongs = label.belongs ?? [];
          return (
            <PartRow
              key={label.id}
              rows={rows}
              row={label}
              i={i}
              what="Label"
              line={`label ${i + 1}`}
              text={label.text}
              placeholder="a label to be placed"
              readOnly={readOnly}
              onText={(text) => change(i, { text })}
              margin={
                <>
                  at spot{' '}
                  <Editable
                    label={`Spots of label ${i + 1}, parted by commas; 0 for a spare`}
                    value={belongs.length > 0 ? belongs.join(', ') : 'none: a spare'}
                    disabled={readOnly}
                    onChange={(typed) => belong(i, typed)}
                  />
                  {' · '}
                  <PartMarks
                    part={label}
                    line={`label ${i + 1}`}
                    weighed={isWeighed(content)}
                    spare={belongs.length === 0}
                    margin={margin}
                    readOnly={readOnly}
                    onChange={(part) => change(i, part)}
                  />
                </>
              }
            />
          );
        })}
      </Moving>
      {!readOnly && (
        <RowFoot rows={rows} isEmpty={labels.length === 0} what="labels" first="Write the first label">
          Enter for the next label
        </RowFoot>
      )}
    </>
  );
}
