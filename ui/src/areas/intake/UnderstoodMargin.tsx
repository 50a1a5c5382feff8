import { memo, useEffect, useMemo, useState } from 'react';
import { Link } from 'react-router';
import type { Schema } from '../../api/client';
import { kindFacts } from '../../kinds/registry';
import { EditableChoice } from '../../parts/fields/Editable';
import { type Brought, type Decision, decisionOf } from './brought';

type KnownQuestion = NonNullable<Schema['UnderstoodQuestion']['known']>;

interface Entry {
  key: string;
  line: number;
  height: number;
  show: React.ReactNode;
}

interface Props {
  understood: Schema['Understood'];
  bank: number;
  left: ReadonlySet<number>;
  again: Brought['again'];
  onLeave: (line: number) => void;
  onDecide: (line: number, decision: Decision) => void;
  level: number;
}

/** What was understood, each entry level with its line; where two would meet, the later one moves down. */
export const UnderstoodMargin = memo(function UnderstoodMargin(props: Props) {
  const { understood, bank, left, again, onLeave, onDecide, level } = props;
  const range = useVisible();
  const placed = useMemo(
    () => place(entriesOf({ understood, bank, left, again, onLeave, onDecide }), level),
    [understood, bank, left, again, onLeave, onDecide, level],
  );
  const last = placed.at(-1);
  const bottom = last ? last.top + last.height : 0;
  return (
    <div className="relative" style={{ height: bottom + 40 }}>
      {placed
        .filter(({ top, height }) => top + height > range.from && top < range.to)
        .map(({ key, top, show }) => (
          <div key={key} className="absolute right-0 left-0" style={{ top, lineHeight: '20px' }}>
            {show}
          </div>
        ))}
    </div>
  );
});

function entriesOf({ understood, bank, left, again, onLeave, onDecide }: Omit<Props, 'level'>): Entry[] {
  return [
    ...understood.aside.map(({ line }) => ({ key: `a${line}`, line, height: 20, show: <p className="text-quiet">stands aside</p> })),
    ...understood.problems.map((p, i) => ({
      key: `p${i}`,
      line: p.line,
      height: textHeight(p.message),
      show: <ProblemText problem={p} />,
    })),
    ...understood.questions.flatMap((q): Entry[] =>
      q.question
        ? [
            {
              key: `q${q.fromLine}`,
              line: q.fromLine,
              height:
                42 +
                (q.why ? 20 : 0) +
                (q.known ? 42 + 20 * shownOf(q.known).length : 0) +
                q.problems.reduce((sum, p) => sum + textHeight(p.message), 0),
              show: (
                <Understood
                  q={q}
                  bank={bank}
                  isLeft={left.has(q.fromLine)}
                  decision={decisionOf(q, again)}
                  onLeave={onLeave}
                  onDecide={onDecide}
                />
              ),
            },
          ]
        : q.problems.map((p, i) => ({
            key: `q${q.fromLine}-${i}`,
            line: p.line,
            height: textHeight(p.message),
            show: <ProblemText problem={p} />,
          })),
    ),
  ].sort((a, b) => a.line - b.line);
}

function place(entries: Entry[], level: number): (Entry & { top: number })[] {
  const placed: (Entry & { top: number })[] = [];
  for (const entry of entries) {
    const above = placed.at(-1);
    placed.push({ ...entry, top: Math.max((entry.line - 1) * level, above ? above.top + above.height : 0) });
  }
  return placed;
}

const textHeight = (text: string) => 20 * Math.ceil((text.length + 10) / 46) + 6;

function ProblemText({ problem }: { problem: Schema['ReadProblem'] }) {
  return (
    <p className="text-wrong">
      <b className="fig text-wrong!">line {problem.line}:</b> {problem.message}
    </p>
  );
}

function Understood({
  q,
  bank,
  isLeft,
  decision,
  onLeave,
  onDecide,
}: {
  q: Schema['UnderstoodQuestion'];
  bank: number;
  isLeft: boolean;
  decision: Decision;
  onDecide: (line: number, decision: Decision) => void;
  onLeave: (line: number) => void;
}) {
  const question = q.question;
  if (!question) return null;
  const keys = question.choices.flatMap((choice, i) => (choice.key ? [i + 1] : []));
  const weights = question.choices.map((choice) => choice.weight).filter((weight) => weight !== null);
  const answers = kindFacts(question).isStatement
    ? keys.map((n) => question.choices[n - 1]?.text).join(', ')
    : weights.length > 0
      ? `weighed ${weights.join('/')}`
      : question.choices.length > 0
        ? `${question.choices.length} answers, key ${keys.join(', ')}`
        : question.answers.join(' or ');
  return (
    <>
      <p className="truncate">
        {q.known && <b className="mr-2">{question.kind}</b>}
        {q.problems.length === 0 && !q.known && (
          <label className="mr-2 cursor-pointer">
            <input
              type="checkbox"
              className="mr-1.5 accent-(--moss)"
              aria-label={`Take in the question at line ${q.fromLine}`}
              checked={!isLeft}
              onChange={() => onLeave(q.fromLine)}
            />
            <span className={isLeft ? 'text-quiet line-through' : ''}>
              <b>{question.kind}</b>
            </span>
          </label>
        )}
        {answers}
      </p>
      <p className="truncate text-quiet">
        {weights.length > 0
          ? 'points by weight'
          : `${question.settings.points ?? '1'} ${(question.settings.points ?? '1') === '1' ? 'point' : 'points'}`}{' '}
        · {question.objective.split(' > ').at(-1) || 'no objective'}
        {question.status !== 'draft' && ` · ${question.status}`}
      </p>
      {q.why && (
        <p className="truncate text-quiet" title={q.why}>
          {q.why}
        </p>
      )}
      {q.known && <Known known={q.known} bank={bank} decision={decision} onDecide={(next) => onDecide(q.fromLine, next)} />}
      {q.problems.map((p, i) => (
        <ProblemText key={i} problem={p} />
      ))}
    </>
  );
}

/** One that the bank has: how the two differ, and what becomes of it. */
function Known(props: { known: KnownQuestion; bank: number; decision: Decision; onDecide: (decision: Decision) => void }) {
  const { known, bank, decision, onDecide } = props;
  return (
    <>
      <p>
        The bank has{' '}
        <Link className="act" to={`/banks/${bank}/questions/${known.id}`}>
          {{ name: 'one of this name', stem: 'one with this stem', near: 'one with nearly this stem' }[known.by]}
        </Link>
        {known.isSame ? ', the same' : ''}:{' '}
        <EditableChoice label="What becomes of it" value={decision} options={decisions} onChange={onDecide} />
      </p>
      {shownOf(known).map((line, i) => (
        <p key={i} className={`truncate ${line.change === 'added' ? '' : 'text-quiet line-through'}`} title={line.text}>
          {line.text}
        </p>
      ))}
    </>
  );
}

const decisions: { value: Decision; words: string }[] = [
  { value: 'leave', words: 'leave this one' },
  { value: 'revise', words: 'a new revision of it' },
  { value: 'another', words: 'take it as another' },
];

const shownOf = (known: KnownQuestion) => known.difference.slice(0, 8);

/** The part of the margin near the window, in pixels, so that long files stay quick. */
function useVisible() {
  const [range, setRange] = useState({ from: 0, to: 3000 });
  useEffect(() => {
    const look = () => {
      const from = Math.floor(window.scrollY / 800) * 800;
      setRange((old) => (old.from === from - 1200 ? old : { from: from - 1200, to: from + window.innerHeight + 2000 }));
    };
    look();
    window.addEventListener('scroll', look, { passive: true });
    return () => window.removeEventListener('scroll', look);
  }, []);
  return range;
}
