import { RadioGroup } from 'radix-ui';
import { chosenIn } from '../common/answers/answers';
import type { AnswerProps } from '../kindUi';

/** The values of a scale, with a word at each end. */
export function RatingAnswer({ question, response, onRespond }: AnswerProps<'rating'>) {
  const { from, to, ends } = question.answers;
  const chosen = chosenIn(response)[0];
  return (
    <div className="my-3 flex flex-wrap items-baseline gap-3">
      <span className="text-soft">{ends[0]}</span>
      <RadioGroup.Root
        aria-label="Value"
        className="flex flex-wrap gap-2"
        disabled={question.closed}
        value={chosen === undefined ? '' : String(chosen)}
        onValueChange={(value) => onRespond({ choose: [Number(value)] }, false)}
      >
        {Array.from({ length: to - from + 1 }, (_, i) => from + i).map((value) => (
          <RadioGroup.Item key={value} value={String(value)} className="tile fig m-0! w-auto! px-4! py-2!">
            {value}
          </RadioGroup.Item>
        ))}
      </RadioGroup.Root>
      <span className="text-soft">{ends[1]}</span>
    </div>
  );
}
