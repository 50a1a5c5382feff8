import { type KeyboardEvent, memo, useState } from 'react';
import { Moving, MovingRow } from '../../../parts/Moving';
import { Row } from '../../../parts/PageAndMargin';
import { Editable } from '../../../parts/fields/Editable';
import { GrowingText } from '../../../parts/fields/GrowingText';
import type { Choice, Content, ContentOf, Margin } from '../../content';
import { meanings } from '../../facts.gen';
import { Earned } from './Earned';
import { LineNotes, CommentHere } from '../lines/LineNotes';
import { Toggle } from '../../../parts/fields/Toggle';
import { Handle } from './Handle';
import { RowFoot } from './RowFoot';
import { LeadsOn } from './LeadsOn';
import { isWeighed, nextId, plain } from './rows';
import { useStable } from '../../../parts/hooks/useStable';
import { useRows } from './useRows';

interface Props {
  content: ContentOf<'one' | 'several'>;
  margin: Margin | null;
  readOnly: boolean;
  /** whether there is one key, so that a new one takes the place of the old */
  single: boolean;
  onChoices: (make: (choices: Choice[]) => Choice[]) => void;
}

/** The answers to choose from. */
export function ChoiceRows({ content, margin, readOnly, single, onChoices }: Props) {
  const { choices } = content;
  const weighed = isWeighed(content);
  const rows = useRows<Choice>({
    rows: choices,
    set: (list) => onChoices(() => list),
    make: (text, all, copied) => ({
      key: false,
      ...(weighed && { weight: '0' }),
      ...copied,
      text: copied && text === '' ? copied.text : text,
      id: nextId(all),
    }),
    isEmpty: (choice) => choice.text === '',
  });
  const change = useStable((i: number, part: Partial<Choice>) =>
    onChoices((all) =>
      all.map((c, j) => (j === i ? { ...c, ...part } : single && !weighed && part.key === true && c.key ? { ...c, key: false } : c)),
    ),
  );
  return (
    <>
      <Moving what="Answer" onMove={rows.move}>
        {choices.map((choice, i) => (
          <ChoiceRow
            key={choice.id}
            choice={choice}
            i={i}
            margin={margin}
            weighed={weighed}
            readOnly={readOnly}
            change={change}
            notes={notesOn(content, choice.id)}
            rows={rows}
            onKey={rows.onKey}
          />
        ))}
      </Moving>
      {!readOnly && (
        <RowFoot rows={rows} isEmpty={choices.length === 0} what="answers" first="Write the first answer">
          Enter: next answer · Alt ↑ ↓: move · Ctrl D: copy · Ctrl Enter: next line · Tab: its margin
        </RowFoot>
      )}
    </>
  );
}

/** The notes that speak of an answer, in few words. */
const notesOn = (content: Content, id: number) =>
  (content.notes ?? [])
    .flatMap(({ when, text }, i) =>
      when.flat().flatMap(({ answer, not }) => (answer === id ? [`note ${i + 1} when ${not ? 'not ' : ''}chosen: ${text}`] : [])),
    )
    .join('\n');

interface ChoiceRowProps {
  choice: Choice;
  i: number;
  margin: Margin | null;
  weighed: boolean;
  readOnly: boolean;
  notes: string;
  change: (i: number, part: Partial<Choice>) => void;
  rows: Pick<ReturnType<typeof useRows<Choice>>, 'register' | 'add' | 'move' | 'remove' | 'onLines'>;
  onKey: (i: number, e: KeyboardEvent<HTMLTextAreaElement>) => void;
}

const same = (a: ChoiceRowProps, b: ChoiceRowProps) =>
  a.choice === b.choice &&
  a.i === b.i &&
  a.weighed === b.weighed &&
  a.readOnly === b.readOnly &&
  a.notes === b.notes &&
  JSON.stringify(a.margin?.lines[`answer:${a.choice.id}`]) === JSON.stringify(b.margin?.lines[`answer:${b.choice.id}`]);

const ChoiceRow = memo(function ChoiceRow({ choice, i, margin, weighed, readOnly, notes, change, rows, onKey }: ChoiceRowProps) {
  const n = i + 1;
  const line = `answer ${n}`;
  const [leads, setLeads] = useState(false);
  return (
    <Row
      line
      page={
        <MovingRow i={i} disabled={readOnly}>
          <Handle
            i={i}
            what="Answer"
            readOnly={readOnly}
            onCopy={() => rows.add(i, choice)}
            onUp={() => rows.move(i, i - 1)}
            onDown={() => rows.move(i, i + 1)}
            onRemove={() => rows.remove(i)}
            more={[['tally, or a page it leads to', () => setLeads(true)]]}
          />
          <GrowingText
            ref={(element) => rows.register(i, element)}
            className="answer"
            label={`Answer ${n}`}
            placeholder="an answer"
            readOnly={readOnly}
            value={choice.text}
            onChange={(text) => change(i, { text })}
            onKeyDown={(e) => onKey(i, e)}
            onLines={(lines) => rows.onLines(i, lines)}
          />
        </MovingRow>
      }
      margin={
        <>
          <p>
            <Toggle
              on={choice.key}
              words={['key', 'distractor']}
              label={`Answer ${n}`}
              disabled={readOnly}
              onChange={(key) => change(i, { key })}
            />
            {weighed && (
              <>
                {' '}
                weighs{' '}
                <Editable
                  label={`Points of answer ${n}`}
                  value={choice.weight ?? '0'}
                  disabled={readOnly}
                  onChange={(v) => change(i, { weight: plain(v) })}
                />
              </>
            )}
            {' · '}
            <Earned margin={margin} line={line} />
            {' · '}
            <Toggle
              on={choice.pinned ?? false}
              words={['pinned', 'free']}
              meanings={meanings}
              label={`Place of answer ${n}`}
              disabled={readOnly}
              onChange={(pinned) => change(i, { pinned })}
            />{' '}
            <span className="lineact">
              <CommentHere where={line} />
            </span>
          </p>
          <GrowingText
            className="say"
            label={`What answer ${n} says when chosen`}
            placeholder="says nothing of its own"
            readOnly={readOnly}
            value={choice.says ?? ''}
            onChange={(says) => change(i, { says })}
          />
          {(leads || choice.leadsTo !== undefined || choice.tallies !== undefined) && (
            <LeadsOn choice={choice} n={n} readOnly={readOnly} onChange={(part) => change(i, part)} />
          )}
          {notes !== '' && <p className="whitespace-pre-line text-quiet">{notes}</p>}
          <LineNotes where={line} />
        </>
      }
    />
  );
}, same);
