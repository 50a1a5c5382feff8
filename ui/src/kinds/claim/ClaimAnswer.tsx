import { chosenIn } from '../common/answers/answers';
import { Tiles } from '../common/answers/Tiles';
import type { AnswerProps } from '../kindUi';

export function ClaimAnswer({ question, response, onRespond }: AnswerProps<'claim'>) {
  const { choices, layout } = question.answers;
  return (
    <Tiles
      stem={question.stem}
      choices={choices}
      layout={layout}
      closed={question.closed}
      atAnswers={question.atAnswers}
      chosen={chosenIn(response)[0]}
      onChoose={(n) => onRespond({ choose: [n] }, false)}
    />
  );
}
