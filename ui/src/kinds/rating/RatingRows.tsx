import { Row } from '../../parts/PageAndMargin';
import { Editable } from '../../parts/fields/Editable';
import type { RowsProps } from '../kindUi';

/** A scale with words at its ends. */
export function RatingRows({ content, readOnly, edit }: RowsProps<'rating'>) {
  const [low = '', high = ''] = content.ends;
  const end = (i: number, label: string) => (
    <input
      data-draft
      className="border-b border-dotted border-copper font-semibold outline-none"
      style={{ width: `${Math.max(12, ([low, high][i] ?? '').length + 1)}ch` }}
      aria-label={label}
      placeholder="a word"
      readOnly={readOnly}
      value={[low, high][i] ?? ''}
      onChange={(e) => edit((c) => ({ ...c, ends: [low, high].with(i, e.target.value) }))}
    />
  );
  const number = (field: 'from' | 'to', label: string) => (
    <Editable
      label={label}
      value={String(content[field])}
      disabled={readOnly}
      onChange={(v) => edit((c) => ({ ...c, [field]: Math.trunc(Number(v)) || 0 }))}
    />
  );
  return (
    <Row
      line
      page={
        <p className="font-reading text-[17px]">
          from {number('from', 'Lowest value')}, {end(0, 'Word at the low end')}, to {number('to', 'Highest value')},{' '}
          {end(1, 'Word at the high end')}
        </p>
      }
      margin={
        <p>
          recorded, never graded; adds its value to the tally{' '}
          <Editable
            label="Tally that the value is added to"
            plain
            value={content.tallies[0] ?? 'none'}
            disabled={readOnly}
            onChange={(v) => edit((c) => ({ ...c, tallies: v === 'none' ? [] : [v, ...c.tallies.slice(1)] }))}
          />
        </p>
      }
    />
  );
}
