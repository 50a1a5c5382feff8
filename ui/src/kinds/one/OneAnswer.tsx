import { chosenIn } from '../common/answers/answers';
import { Tiles } from '../common/answers/Tiles';
import type { AnswerProps } from '../kindUi';

/** Tiles to choose one of; or a drop-down list. */
export function OneAnswer({ question, response, onRespond }: AnswerProps<'one'>) {
  const { choices, layout } = question.answers;
  const chosen = chosenIn(response)[0];
  if (layout !== 'list') {
    return (
      <Tiles
        choices={choices}
        layout={layout}
        closed={question.closed}
        chosen={chosen}
        onChoose={(n) => onRespond({ choose: [n] }, false)}
      />
    );
  }
  return (
    <select
      className="field my-3 max-w-full font-reading text-[18px]"
      aria-label="Answers"
      disabled={question.closed}
      value={chosen ?? ''}
      onChange={(e) => onRespond(e.target.value === '' ? null : { choose: [Number(e.target.value)] }, false)}
    >
      <option value="">choose …</option>
      {choices.map((choice, i) => (
        <option key={i} value={i + 1}>
          {choice.replace(/[*_`]/g, '')}
        </option>
      ))}
    </select>
  );
}
