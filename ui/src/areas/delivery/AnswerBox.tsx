import { useState } from 'react';
import { Rich } from '../../parts/Rich';
import type { Response, SittingQuestion } from './sitting';

interface Props {
  question: SittingQuestion;
  response: Response;
  onRespond: (response: Response, typing: boolean) => void;
}

export const chosenIn = (response: Response): number[] => (response && 'choose' in response ? response.choose : []);
export const textIn = (response: Response): string => (response && 'text' in response ? response.text : '');

/** Where a candidate answers: tiles to choose from, or a line to type in. */
export function AnswerBox({ question, response, onRespond }: Props) {
  return question.choices.length > 0 ? (
    <Tiles question={question} response={response} onRespond={onRespond} />
  ) : (
    <Typed key={question.n} question={question} response={response} onRespond={onRespond} />
  );
}

/** The response after a click or key on a choice. */
export function toggled(question: SittingQuestion, response: Response, n: number): Response {
  const chosen = chosenIn(response);
  if (question.kind !== 'several') return { choose: [n] };
  if (chosen.includes(n)) return chosen.length === 1 ? null : { choose: chosen.filter((c) => c !== n) };
  const most = question.choose?.most ?? null;
  return most !== null && chosen.length >= most ? response : { choose: [...chosen, n].sort((a, b) => a - b) };
}

function Tiles({ question, response, onRespond }: Props) {
  const chosen = chosenIn(response);
  const several = question.kind === 'several';
  return (
    <div role={several ? 'group' : 'radiogroup'} aria-label="Answers">
      {question.choices.map((choice, i) => (
        <button
          key={i}
          type="button"
          role={several ? 'checkbox' : 'radio'}
          aria-checked={chosen.includes(i + 1)}
          className="tile"
          disabled={question.closed}
          onClick={() => onRespond(toggled(question, response, i + 1), false)}
        >
          <Rich text={choice} inline />
        </button>
      ))}
    </div>
  );
}

function Typed({ question, response, onRespond }: Props) {
  const [text, setText] = useState(textIn(response));
  const change = (next: string) => {
    setText(next);
    onRespond(next.trim() === '' ? null : { text: next }, true);
  };
  return (
    <p className="my-3 flex items-baseline gap-3">
      <input
        className="field w-full max-w-md font-reading text-[19px]"
        aria-label="Your answer"
        inputMode={question.kind === 'number' ? 'decimal' : 'text'}
        autoComplete="off"
        disabled={question.closed}
        value={text}
        onChange={(e) => change(e.target.value)}
      />
      {question.units[0] && <span className="text-soft">{question.units[0]}</span>}
    </p>
  );
}

/** The line that tells how to answer, where the question has none of its own. */
export function howTo(question: SittingQuestion): string {
  if (question.how) return question.how;
  const { kind, choose } = question;
  if (kind === 'several') {
    if (choose?.most && choose.least === choose.most) return `Choose ${choose.most}.`;
    return choose?.most ? `Choose up to ${choose.most}.` : 'Choose all that fit.';
  }
  return { one: 'Choose one.', claim: 'Does this hold?', number: 'Type a number.', text: 'Type your answer.' }[kind];
}
