import { type KeyboardEvent, useRef } from 'react';
import { figure } from '../../parts/figures';
import { Row } from '../../parts/Sheet';
import { Value } from '../../parts/Value';
import type { Choice, Content, Question } from './draft';

interface Props {
  content: Content;
  margin: Question['margin'] | null;
  onChange: (content: Content) => void;
  readOnly: boolean;
}

/** Moves the focus to a row's text after the rows have changed. */
function useRowFocus() {
  const box = useRef<Map<number, HTMLTextAreaElement>>(new Map());
  const focus = (i: number) => window.setTimeout(() => box.current.get(i)?.focus(), 0);
  const register = (i: number) => (element: HTMLTextAreaElement | null) => {
    if (element) box.current.set(i, element);
    else box.current.delete(i);
  };
  return { focus, register };
}

/** The answers to choose from: Enter makes the next row, an empty row goes with Backspace, Alt and an arrow move it. */
export function ChoiceRows({ content, margin, onChange, readOnly }: Props) {
  const { focus, register } = useRowFocus();
  const choices = content.choices ?? [];
  const weighed = content.settings?.marking === 'weighed';
  const set = (list: Choice[]) => onChange({ ...content, choices: list });
  const edit = (i: number, part: Partial<Choice>) => set(choices.map((c, j) => (j === i ? { ...c, ...part } : single(c, part))));
  // With kind "one" a new key takes the place of the old one.
  const single = (c: Choice, part: Partial<Choice>) => (part.key && content.kind !== 'several' ? { ...c, key: false } : c);
  const add = (i: number) => {
    const id = Math.max(0, ...choices.map((c) => c.id)) + 1;
    set([...choices.slice(0, i + 1), { id, text: '', key: false, ...(weighed && { weight: '0' }) }, ...choices.slice(i + 1)]);
    focus(i + 1);
  };
  const move = (i: number, by: number) => {
    const to = i + by;
    const moved = choices[i];
    if (to < 0 || to >= choices.length || !moved) return;
    set(choices.toSpliced(i, 1).toSpliced(to, 0, moved));
    focus(to);
  };
  const keys = (i: number) => (e: KeyboardEvent<HTMLTextAreaElement>) => {
    if (content.kind === 'claim') {
      if (e.key === 'Enter') e.preventDefault();
      return;
    }
    if (e.key === 'Enter' && !e.shiftKey) {
      e.preventDefault();
      add(i);
    } else if (e.key === 'Backspace' && e.currentTarget.value === '' && choices.length > 1) {
      e.preventDefault();
      set(choices.toSpliced(i, 1));
      focus(Math.max(0, i - 1));
    } else if (e.altKey && (e.key === 'ArrowUp' || e.key === 'ArrowDown')) {
      e.preventDefault();
      move(i, e.key === 'ArrowUp' ? -1 : 1);
    }
  };
  return (
    <>
      {choices.map((choice, i) => (
        <Row
          key={choice.id}
          line
          page={
            <div className="flex items-baseline gap-3">
              <span className="fig text-quiet">{i + 1}</span>
              <textarea
                ref={register(i)}
                className="font-reading text-[17px] outline-none"
                aria-label={`Answer ${i + 1}`}
                placeholder="an answer"
                rows={1}
                readOnly={readOnly}
                value={choice.text}
                onChange={(e) => edit(i, { text: e.target.value })}
                onKeyDown={keys(i)}
              />
            </div>
          }
          margin={
            <ChoiceMargin
              choice={choice}
              n={i + 1}
              earns={margin?.choices[i]}
              weighed={weighed}
              claim={content.kind === 'claim'}
              readOnly={readOnly}
              onChange={(part) => edit(i, part)}
            />
          }
        />
      ))}
      {!readOnly && content.kind !== 'claim' && (
        <Row
          line
          page={
            <p className="pl-6 text-quiet italic">
              {choices.length === 0 ? (
                <button className="act not-italic" onClick={() => add(-1)}>
                  Write the first answer
                </button>
              ) : (
                'Enter for the next answer · Alt and an arrow move one'
              )}
            </p>
          }
        />
      )}
    </>
  );
}

function ChoiceMargin(props: {
  choice: Choice;
  n: number;
  earns: Question['margin']['choices'][number] | undefined;
  weighed: boolean;
  claim: boolean;
  readOnly: boolean;
  onChange: (part: Partial<Choice>) => void;
}) {
  const { choice, n, earns, weighed, claim, readOnly, onChange } = props;
  const word = choice.key ? 'key' : 'distractor';
  return (
    <>
      <p>
        {readOnly ? (
          <b>{word}</b>
        ) : (
          <button
            className={choice.key ? 'value' : 'border-b border-dotted border-copper'}
            aria-pressed={choice.key}
            aria-label={`Answer ${n} is a ${word}, change`}
            onClick={() => onChange({ key: !choice.key })}
          >
            {word}
          </button>
        )}
        {weighed && (
          <>
            {' '}
            weighs{' '}
            <Value
              label={`Points of answer ${n}`}
              value={choice.weight ?? '0'}
              disabled={readOnly}
              onChange={(weight) => onChange({ weight: weight.replace('−', '-') })}
            />
          </>
        )}
        {' · '}
        {earns ? <Earned earned={earns.earned} /> : <span className="text-quiet">not saved yet</span>}
        {!claim && (
          <>
            {' · '}
            <button
              className={choice.pinned ? 'value' : 'border-b border-dotted border-copper text-quiet'}
              disabled={readOnly}
              aria-pressed={choice.pinned ?? false}
              onClick={() => onChange({ pinned: !choice.pinned })}
            >
              {choice.pinned ? 'pinned' : 'free'}
            </button>
          </>
        )}
      </p>
      {!claim && (
        <textarea
          className="say mt-0.5 outline-none"
          rows={1}
          aria-label={`What answer ${n} says when chosen`}
          placeholder="says nothing of its own"
          readOnly={readOnly}
          value={choice.says ?? ''}
          onChange={(e) => onChange({ says: e.target.value })}
        />
      )}
    </>
  );
}

/** "earns 10, then 5", or what it costs. */
export function Earned({ earned }: { earned: string[] }) {
  const [first = '0', ...later] = earned;
  const costs = Number(first) < 0;
  const changes = later.filter((value, i) => value !== (earned[i] ?? ''));
  return (
    <>
      {!costs && Number(first) > 0 && 'earns '}
      <b className="fig">{figure(first)}</b>
      {changes.map((value, i) => (
        <span key={i}>
          , then <b className="fig">{figure(value)}</b>
        </span>
      ))}
    </>
  );
}
