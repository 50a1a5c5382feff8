import { Editable, EditableChoice } from '../../../parts/fields/Editable';
import { type Blueprint, type Document, tidy, without } from '../document';
import { usePageOptions } from '../usePageOptions';

interface Props {
  bank: number;
  /** between which values each ends */
  spans?: Blueprint['proof']['tallies'];
  document: Document;
  readOnly: boolean;
  onChange: (document: Document) => void;
}

type Tally = NonNullable<Document['tallies']>[number];
type Band = NonNullable<Tally['bands']>[number];

const told = [
  { value: 'value', words: 'told with its value' },
  { value: 'band', words: 'told by its band’s name only' },
  { value: 'never', words: 'never told' },
] as const;

/** Bands that follow each other without gap or overlap: each begins where the one before ends; the first and the last are open. */
export const following = (bands: Band[]): Band[] =>
  bands.reduce<Band[]>((laid, band, i) => {
    const before = laid.at(-1)?.to;
    const from = before === undefined ? undefined : before + 1;
    const to = i === bands.length - 1 ? undefined : Math.max(band.to ?? (from ?? 0) + 4, from ?? -9999);
    return [...laid, tidy({ ...band, from, to }) as Band];
  }, []);

/** Named counts that choices add to, and the bands they are cut into. */
export function Tallies({ bank, spans = [], document, readOnly, onChange }: Props) {
  const pages = usePageOptions(bank, 'no page');
  const tallies = document.tallies ?? [];
  const put = (next: Tally[]) => {
    onChange(next.length > 0 ? { ...document, tallies: next } : without(document, 'tallies'));
  };
  const putOne = (i: number, part: Partial<Tally>) => put(tallies.with(i, { ...(tallies[i] as Tally), ...part }));
  if (readOnly && tallies.length === 0) return null;
  return (
    <section className="space-y-1">
      <h2 className="head">tallies</h2>
      {tallies.map((tally, i) => {
        const bands = tally.bands ?? [];
        const span = spans.find((one) => one.tally === tally.name);
        const putBands = (next: Band[]) => putOne(i, { bands: following(next) });
        return (
          <div key={i}>
            <p>
              <Editable
                plain
                label="Name of the tally"
                value={tally.name}
                width={12}
                disabled={readOnly}
                onChange={(name) => putOne(i, { name })}
              />{' '}
              {span && (
                <span className="text-quiet">
                  ends between {span.least} and {span.most}
                  {!span.isWhole && ', without what is drawn from so many'}
                  {' · '}
                </span>
              )}
              <EditableChoice
                label={`What candidates are told of ${tally.name}`}
                value={tally.told ?? 'value'}
                options={told}
                disabled={readOnly}
                onChange={(how) => putOne(i, { told: how })}
              />{' '}
              {!readOnly && (
                <>
                  <button
                    className="act"
                    aria-label={`Another band of ${tally.name}`}
                    onClick={() => putBands([...bands, { name: `band ${bands.length + 1}` }])}
                  >
                    {bands.length === 0 ? 'cut it into bands' : 'another band'}
                  </button>{' '}
                  <button className="act" aria-label={`Take the tally ${tally.name} out`} onClick={() => put(tallies.toSpliced(i, 1))}>
                    take out
                  </button>
                </>
              )}
            </p>
            {bands.map((band, b) => (
              <p key={b} className="pl-4">
                {band.from === undefined
                  ? band.to === undefined
                    ? 'any value'
                    : 'up to '
                  : `from ${band.from}${band.to === undefined ? ' on' : ' to '}`}
                {band.to !== undefined && (
                  <Editable
                    label={`The end of ${band.name}`}
                    value={String(band.to)}
                    width={4}
                    disabled={readOnly}
                    refuse={(typed) => (/^-?\d{1,5}$/.test(typed) ? null : 'a whole number')}
                    onChange={(typed) => putBands(bands.with(b, { ...band, to: Number(typed) }))}
                  />
                )}
                :{' '}
                <Editable
                  plain
                  label={`Name of band ${b + 1}`}
                  value={band.name}
                  width={12}
                  disabled={readOnly}
                  onChange={(name) => putBands(bands.with(b, { ...band, name }))}
                />
                , with{' '}
                <EditableChoice
                  label={`The page of ${band.name}`}
                  value={band.page ?? ''}
                  options={pages}
                  disabled={readOnly}
                  onChange={(page) => putBands(bands.with(b, tidy({ ...band, page: page === '' ? undefined : page }) as Band))}
                />{' '}
                {!readOnly && (
                  <button className="act" aria-label={`Take ${band.name} out`} onClick={() => putBands(bands.toSpliced(b, 1))}>
                    take out
                  </button>
                )}
              </p>
            ))}
          </div>
        );
      })}
      {!readOnly && (
        <p>
          <Editable
            plain
            label="A new tally"
            value={tallies.length === 0 ? 'count something that choices add to …' : 'another tally …'}
            width={16}
            refuse={(name) => (tallies.some((one) => one.name === name) ? 'there is one of this name' : null)}
            onChange={(name) => put([...tallies, { name }])}
          />
        </p>
      )}
    </section>
  );
}
