import type { Schema } from '../../api/client';
import { Moving, MovingRow } from '../../parts/Moving';
import { Row } from '../../parts/PageAndMargin';
import { Editable } from '../../parts/fields/Editable';
import { GrowingText } from '../../parts/fields/GrowingText';
import { Earned } from '../common/rows/Earned';
import { LineNotes, CommentHere } from '../common/lines/LineNotes';
import { Toggle } from '../../parts/fields/Toggle';
import { Handle } from '../common/rows/Handle';
import { PictureBoard } from '../common/picture/PictureBoard';
import { PictureRow } from '../common/picture/PictureRow';
import { isWeighed, nextId, plain } from '../common/rows/rows';
import { settings } from '../facts.gen';
import type { RowsProps, SettingParts } from '../kindUi';
import { shapeWords, readShape } from '../common/picture/shapes';
import { useRows } from '../common/rows/useRows';

type Region = Schema['Region'];

/** The picture with its areas, then each area: its name, its numbers, what a click there earns and says. */
export function RegionRows({ content, margin, readOnly, edit, bank }: RowsProps<'regions'>) {
  const { picture, regions } = content;
  const weighed = isWeighed(content);
  const set = (list: Region[]) => edit((c) => ({ ...c, regions: list }));
  const change = (i: number, part: Partial<Region>) => set(regions.map((r, j) => (j === i ? { ...r, ...part } : r)));
  const rows = useRows<Region>({
    rows: regions,
    set,
    make: (_, list, copied) => ({ ...(copied ?? { area: 'ellipse 50 50 20 20', key: false }), id: nextId(list) }),
    isEmpty: () => false,
    least: 0,
  });
  return (
    <>
      <PictureRow
        picture={picture}
        readOnly={readOnly}
        onPicture={(chosen) => edit((c) => ({ ...c, picture: chosen }))}
        bank={bank}
        margin={<p>clicks count where an area is; borders belong to it</p>}
      >
        {(medium) => (
          <PictureBoard
            medium={medium}
            shows={picture.shows}
            shapes={regions.map((r) => readShape(r.area))}
            draws={['ellipse', 'rectangle', 'polygon']}
            what="Area"
            readOnly={readOnly}
            onAdd={(shape) =>
              set([
                ...regions,
                { id: nextId(regions), area: shapeWords(shape), key: !regions.some((r) => r.key), ...(weighed && { weight: '0' }) },
              ])
            }
            onChange={(i, shape) => change(i, { area: shapeWords(shape) })}
            onRemove={(i) => rows.remove(i)}
          />
        )}
      </PictureRow>
      <Moving what="Area" onMove={rows.move}>
        {regions.map((region, i) => (
          <Row
            key={i}
            line
            page={
              <MovingRow i={i} disabled={readOnly} wraps>
                <Handle
                  i={i}
                  what="Area"
                  readOnly={readOnly}
                  onCopy={() => rows.add(i, region)}
                  onUp={() => rows.move(i, i - 1)}
                  onDown={() => rows.move(i, i + 1)}
                  onRemove={() => rows.remove(i)}
                />
                <input
                  data-draft
                  className="min-w-40 flex-1 font-reading text-[17px] outline-none"
                  aria-label={`Name of area ${i + 1}`}
                  placeholder="what is there"
                  readOnly={readOnly}
                  value={region.name ?? ''}
                  onChange={(e) => change(i, { name: e.target.value })}
                />
                <Editable
                  label={`Shape and numbers of area ${i + 1}`}
                  width={24}
                  value={region.area}
                  disabled={readOnly}
                  onChange={(area) => change(i, { area })}
                />
              </MovingRow>
            }
            margin={
              <>
                <p>
                  <Toggle
                    on={region.key}
                    words={['key', 'known wrong']}
                    label={`Area ${i + 1}`}
                    disabled={readOnly}
                    onChange={(key) => change(i, { key })}
                  />
                  {weighed && (
                    <>
                      {' '}
                      weighs{' '}
                      <Editable
                        label={`Points of area ${i + 1}`}
                        value={region.weight ?? '0'}
                        disabled={readOnly}
                        onChange={(v) => change(i, { weight: plain(v) })}
                      />
                    </>
                  )}
                  {' · '}
                  <Earned margin={margin} line={`area ${i + 1}`} />{' '}
                  <span className="lineact">
                    <CommentHere where={`area ${i + 1}`} />
                  </span>
                </p>
                <GrowingText
                  className="say"
                  label={`What area ${i + 1} says when clicked`}
                  placeholder="says nothing of its own"
                  readOnly={readOnly}
                  value={region.says ?? ''}
                  onChange={(says) => change(i, { says })}
                />
                <LineNotes where={`area ${i + 1}`} />
              </>
            }
          />
        ))}
      </Moving>
    </>
  );
}

const areas = (settings.areas?.words ?? []).map((value) => ({ value, words: value }));

export function RegionSettings({ get, value, pick }: SettingParts) {
  return (
    <>
      {' · '}
      {value('clicks', 'Clicks allowed')} {get('clicks') === '1' ? 'click' : 'clicks'} allowed · areas {pick('areas', 'Areas are', areas)}
    </>
  );
}
