import type { Schema } from '../../api/client';
import { figure } from '../../parts/figures';
import { Gauge } from '../../parts/Gauge';
import { Row } from '../../parts/Sheet';
import { Value } from '../../parts/Value';
import type { Content, Question } from './draft';

type OutcomeText = NonNullable<Content['outcomeTexts']>[number];
const house: Partial<Record<Schema['Outcome'], string>> = {
  right: 'Right: all points.',
  'partly right': 'Partly right: so many points.',
  wrong: 'Wrong.',
  unanswered: 'Left blank.',
};

interface Props {
  content: Content;
  margin: Question['margin'] | null;
  onChange: (content: Content) => void;
  readOnly: boolean;
}

/** What the question says after each outcome; blank says what the house says. */
export function SaysRows({ content, margin, onChange, readOnly }: Props) {
  const texts = content.outcomeTexts ?? [];
  const outcomes: Schema['Outcome'][] =
    content.kind === 'claim' || content.kind === 'one' ? ['right', 'wrong'] : ['right', 'partly right', 'wrong'];
  const retries = Number(content.settings?.attempts ?? '1') > 1 || content.settings?.attempts === 'unlimited';
  const wanted: OutcomeText[] = outcomes.flatMap((outcome) => [
    ...(outcome === 'wrong' && retries ? [{ outcome, text: '', attempt: 1 }] : []),
    { outcome, text: '' },
  ]);
  const same = (a: OutcomeText, b: OutcomeText) =>
    a.outcome === b.outcome && a.attempt === b.attempt && (a.onLast ?? false) === (b.onLast ?? false);
  const rows = [...wanted.map((w) => texts.find((t) => same(t, w)) ?? w), ...texts.filter((t) => !wanted.some((w) => same(t, w)))];
  const edit = (row: OutcomeText, text: string) => {
    const known = texts.some((t) => same(t, row));
    onChange({ ...content, outcomeTexts: known ? texts.map((t) => (same(t, row) ? { ...t, text } : t)) : [...texts, { ...row, text }] });
  };
  return (
    <>
      <Row className="pt-4" page={<h2 className="head">what it says</h2>} />
      {rows.map((row) => (
        <Row
          key={`${row.outcome} ${row.attempt ?? ''} ${row.onLast ? 'last' : ''}`}
          page={
            <div className="flex items-baseline gap-2">
              <span className="whitespace-nowrap">
                <Gauge outcome={row.outcome} />
                {row.outcome}
                {row.attempt && ` on attempt ${row.attempt}`}
                {row.onLast && ' on the last attempt'}:
              </span>
              <textarea
                className="say outline-none"
                rows={1}
                aria-label={`Says when ${row.outcome}${row.attempt ? ` on attempt ${row.attempt}` : ''}`}
                placeholder={`“${house[row.outcome] ?? ''}” (house)`}
                readOnly={readOnly}
                value={row.text}
                onChange={(e) => edit(row, e.target.value)}
              />
            </div>
          }
          margin={
            margin && row.outcome === 'wrong' && row.attempt === undefined ? (
              <p>
                earns <b className="fig">{Number(margin.wrong) > 0 ? figure(`-${margin.wrong}`) : '0'}</b>, left blank{' '}
                <b className="fig">{figure(margin.blank.earned[0] ?? '0')}</b>
              </p>
            ) : row.outcome === 'right' && margin ? (
              <p>
                earns <b className="fig">{margin.worth}</b>
              </p>
            ) : null
          }
        />
      ))}
      <HintRows content={content} margin={margin} onChange={onChange} readOnly={readOnly} />
    </>
  );
}

function HintRows({ content, onChange, readOnly }: Props) {
  const hints = content.hints ?? [];
  const set = (i: number, part: Partial<(typeof hints)[number]>) =>
    onChange({ ...content, hints: hints.map((h, j) => (j === i ? { ...h, ...part } : h)) });
  return (
    <>
      {hints.map((hint, i) => (
        <Row
          key={i}
          page={
            <div className="flex items-baseline gap-2">
              <span className="head whitespace-nowrap">hint {i + 1}</span>
              <textarea
                className="say outline-none"
                rows={1}
                aria-label={`Hint ${i + 1}`}
                placeholder="a help that may be opened"
                readOnly={readOnly}
                value={hint.text}
                onChange={(e) => set(i, { text: e.target.value })}
              />
            </div>
          }
          margin={
            <p>
              from attempt{' '}
              <Value
                label="From attempt"
                value={String(hint.fromAttempt ?? 1)}
                disabled={readOnly}
                onChange={(v) => set(i, { fromAttempt: Math.max(1, Math.trunc(Number(v)) || 1) })}
              />
              , costs{' '}
              <Value label="What the hint costs" value={hint.costs ?? '0'} disabled={readOnly} onChange={(costs) => set(i, { costs })} />
            </p>
          }
        />
      ))}
      {!readOnly && (
        <Row
          page={
            <button className="act" onClick={() => onChange({ ...content, hints: [...hints, { text: '' }] })}>
              {hints.length === 0 ? 'Give a hint' : 'Give another hint'}
            </button>
          }
        />
      )}
    </>
  );
}
