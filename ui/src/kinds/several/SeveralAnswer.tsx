import { Fragment, useState } from 'react';
import { Rich } from '../../parts/text/Rich';
import { chosenIn } from '../common/answers/answers';
import { inWords } from '../../parts/text/inWords';
import { Players } from '../common/answers/Players';
import { AtAnswer } from '../common/answers/AtAnswer';
import { tileLayout } from '../common/answers/Tiles';
import type { AnswerProps } from '../kindUi';
import { toggled } from './toggled';

/** Tiles of which several are chosen, each pressed on and off. */
export function SeveralAnswer({ question, response, onRespond }: AnswerProps<'several'>) {
  const chosen = chosenIn(response);
  const most = question.choose?.most ?? null;
  const [refused, setRefused] = useState(false);
  return (
    <>
      <div role="group" aria-label={`Answers to: ${inWords(question.stem)}`} className={tileLayout(question.answers.layout)}>
        {question.answers.choices.map((choice, i) => (
          <Fragment key={i}>
            <button
              type="button"
              role="checkbox"
              aria-checked={chosen.includes(i + 1)}
              className="tile"
              disabled={question.closed}
              onClick={() => {
                const next = toggled(response, i + 1, most);
                setRefused(next === response);
                if (next !== response) onRespond(next, false);
              }}
            >
              <Rich text={choice} inline still />
              <AtAnswer n={i + 1} atAnswers={question.atAnswers} />
            </button>
            <Players text={choice} />
          </Fragment>
        ))}
      </div>
      <p role="status" className="text-sm text-soft">
        {refused &&
          !question.closed &&
          most !== null &&
          chosen.length >= most &&
          `No more than ${most} can be chosen: press one of those chosen to let it go first.`}
      </p>
    </>
  );
}
