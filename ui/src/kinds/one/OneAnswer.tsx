import { chosenIn } from '../common/answers/answers';
import { ListOf } from '../common/answers/ListOf';
import { Outcome } from '../../parts/Gauge';
import { Rich } from '../../parts/text/Rich';
import { inWords } from '../../parts/text/inWords';
import { Tiles } from '../common/answers/Tiles';
import type { AnswerProps } from '../kindUi';

/** Tiles to choose one of; or a drop-down list. */
export function OneAnswer({ question, response, onRespond }: AnswerProps<'one'>) {
  const { choices, layout } = question.answers;
  const chosen = chosenIn(response)[0];
  if (layout !== 'list') {
    return (
      <Tiles
        stem={question.stem}
        choices={choices}
        layout={layout}
        closed={question.closed}
        atAnswers={question.atAnswers}
        chosen={chosen}
        onChoose={(n) => onRespond({ choose: [n] }, false)}
      />
    );
  }
  const list = (
    <ListOf
      className="field my-3 max-w-full font-reading text-[18px]"
      label={`Answers to: ${inWords(question.stem)}`}
      entries={choices}
      chosen={chosen === undefined ? undefined : String(chosen)}
      none="choose …"
      closed={question.closed}
      onChoose={(entry) => onRespond(entry === '' ? null : { choose: [Number(entry)] }, false)}
    />
  );
  // The key may stand at another entry of the list than the one that was chosen: then both are said below it.
  return question.atAnswers.length === 0 ? (
    list
  ) : (
    <>
      {list}
      {question.atAnswers.map(({ n, outcome }) => (
        <p key={n} className="font-reading">
          <Rich text={choices[n - 1] ?? ''} inline />{' '}
          <span className="at-answer">
            <Outcome outcome={outcome} />
          </span>
        </p>
      ))}
    </>
  );
}
