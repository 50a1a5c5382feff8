import type { Schema } from '../../../../api/client';
import { figure } from '../../../../parts/text/figures';
import { Gauge } from '../../../../parts/Gauge';
import { Row } from '../../../../parts/PageAndMargin';
import { EditableChoice } from '../../../../parts/fields/Editable';
import { GrowingText } from '../../../../parts/fields/GrowingText';
import type { Content, Margin } from '../../../../kinds/content';
import { houseWords } from '../../../../kinds/facts.gen';
import { kindFacts } from '../../../../kinds/registry';
import { LineNotes } from '../../../../kinds/common/lines/LineNotes';

type OutcomeText = NonNullable<Content['outcomeTexts']>[number];
type Outcome = Schema['Outcome'];

const same = (a: OutcomeText, b: OutcomeText) =>
  a.outcome === b.outcome && a.attempt === b.attempt && (a.onLast ?? false) === (b.onLast ?? false);
const isEmpty = ({ text }: OutcomeText) => text.trim() === '';
const when = (row: OutcomeText) => (row.onLast ? 'last' : row.attempt ? String(row.attempt) : 'any');

interface Props {
  content: Content;
  margin: Margin | null;
  readOnly: boolean;
  /** what is said further out, by outcome */
  wording?: Record<string, string>;
  edit: (make: (content: Content) => Content) => void;
}

/** What the question says after each outcome, on any attempt or on one; blank says what the house says. */
export function SaysRows({ content, margin, readOnly, wording = {}, edit }: Props) {
  const texts = content.outcomeTexts ?? [];
  const { isJudged, isPartly } = kindFacts(content);
  const timed = margin?.settings.time !== undefined;
  const basic: Outcome[] =
    !isJudged || content.settings?.key === 'none'
      ? ['recorded']
      : ['right', ...(isPartly ? (['partly right'] as const) : []), 'wrong', 'unanswered', ...(timed ? (['out of time'] as const) : [])];
  const attempts = margin?.settings.attempts?.value ?? content.settings?.attempts ?? '1';
  const wanted: OutcomeText[] = basic.flatMap((outcome) => [
    ...(outcome === 'wrong' && attempts !== '1' ? [{ outcome, text: '', attempt: 1 }] : []),
    { outcome, text: '' },
  ]);
  const rows = [...wanted.map((w) => texts.find((t) => same(t, w)) ?? w), ...texts.filter((t) => !wanted.some((w) => same(t, w)))].sort(
    (a, b) => basic.indexOf(a.outcome) - basic.indexOf(b.outcome),
  );
  const write = (row: OutcomeText, text: string) =>
    edit((c) => {
      const all = c.outcomeTexts ?? [];
      return {
        ...c,
        outcomeTexts: all.some((t) => same(t, row)) ? all.map((t) => (same(t, row) ? { ...t, text } : t)) : [...all, { ...row, text }],
      };
    });
  const add = (choice: string) => {
    const [outcome = 'wrong', at = 'any'] = choice.split(' / ');
    const row: OutcomeText = {
      outcome: outcome as Outcome,
      text: '',
      ...(at === 'last' ? { onLast: true } : at === 'any' ? {} : { attempt: Number(at) }),
    };
    if (!rows.some((r) => same(r, row))) edit((c) => ({ ...c, outcomeTexts: [...(c.outcomeTexts ?? []), { ...row, text: ' ' }] }));
  };
  const more = basic.flatMap((outcome) =>
    ['1', '2', '3', 'last'].map((at) => ({
      value: `${outcome} / ${at}`,
      words: `${outcome} on ${at === 'last' ? 'the last attempt' : `attempt ${at}`}`,
    })),
  );
  return (
    <>
      <Row
        className="pt-4"
        page={<h2 className="head">what it says</h2>}
        margin={
          <>
            {isJudged && <p className="text-quiet">The outcome and its points come first, by themselves.</p>}
            <LineNotes where="feedback" />
          </>
        }
      />
      {readOnly && rows.every(isEmpty) && <Row page={<p className="text-quiet">after each outcome, what the house says</p>} />}
      {(readOnly ? rows.filter((row) => !isEmpty(row)) : rows).map((row) => (
        <Row
          key={`${row.outcome} ${when(row)}`}
          page={
            <div className="flex items-baseline gap-2">
              <span className="whitespace-nowrap">
                <Gauge outcome={row.outcome} />
                {row.outcome}
                {row.attempt && ` on attempt ${row.attempt}`}
                {row.onLast && ' on the last attempt'}:
              </span>
              <GrowingText
                className="say"
                label={`Says when ${row.outcome}${row.attempt ? ` on attempt ${row.attempt}` : row.onLast ? ' on the last attempt' : ''}`}
                placeholder={wording[row.outcome] ? `“${wording[row.outcome]}” (bank)` : `“${houseWords[row.outcome]}” (house)`}
                readOnly={readOnly}
                value={row.text === ' ' ? '' : row.text}
                onChange={(text) => write(row, text)}
              />
            </div>
          }
          margin={row.attempt === undefined && !row.onLast ? <Costs row={row} margin={margin} /> : null}
        />
      ))}
      {!readOnly && attempts !== '1' && (
        <Row
          page={
            <p>
              <EditableChoice
                label="Say something more after"
                value=""
                options={[{ value: '', words: 'say more on one attempt' }, ...more]}
                onChange={add}
              />
            </p>
          }
        />
      )}
    </>
  );
}

function Costs({ row, margin }: { row: OutcomeText; margin: Margin | null }) {
  if (!margin) return null;
  const costs = Number(margin.wrong) > 0 ? `-${margin.wrong}` : '0';
  const late = margin.settings.late?.value ?? 'wrong';
  switch (row.outcome) {
    case 'right':
      return (
        <p>
          earns <b className="fig">{margin.worth}</b>
        </p>
      );
    case 'wrong':
      return (
        <p>
          <b className="fig">{figure(costs)}</b>
        </p>
      );
    case 'unanswered':
      return (
        <p>
          <b className="fig">{figure(margin.blank)}</b>
        </p>
      );
    case 'out of time':
      return (
        <p>{late === 'marks' ? 'what was entered is marked' : `counts as ${late}: ${figure(late === 'wrong' ? costs : margin.blank)}`}</p>
      );
    default:
      return null;
  }
}
