import { Rich } from '../../parts/Rich';
import { type AnswerProps, chosenIn, toggled } from './answers';

/** Tiles to choose from, in the layout that is set; or a drop-down list. */
export function Choices(props: AnswerProps) {
  const { question, response, onRespond } = props;
  const choices = question.face.choices ?? [];
  const chosen = chosenIn(response);
  if (question.face.layout === 'list' && question.kind === 'one') {
    return (
      <select
        className="field my-3 max-w-full font-reading text-[18px]"
        aria-label="Answers"
        disabled={question.closed}
        value={chosen[0] ?? ''}
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
  const several = question.kind === 'several';
  const layout = { 'two columns': 'tiles two', row: 'tiles across' }[question.face.layout ?? ''] ?? 'tiles';
  return (
    <div role={several ? 'group' : 'radiogroup'} aria-label="Answers" className={layout}>
      {choices.map((choice, i) => (
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

/** The values of a scale, with a word at each end. */
export function Scale({ question, response, onRespond }: AnswerProps) {
  const { from = 1, to = 5, ends = [] } = question.face;
  const chosen = chosenIn(response)[0];
  return (
    <div className="my-3 flex flex-wrap items-baseline gap-3">
      <span className="text-soft">{ends[0]}</span>
      <div role="radiogroup" aria-label="Value" className="flex flex-wrap gap-2">
        {Array.from({ length: to - from + 1 }, (_, i) => from + i).map((value) => (
          <button
            key={value}
            type="button"
            role="radio"
            aria-checked={chosen === value}
            className="tile fig m-0! w-auto! px-4! py-2!"
            disabled={question.closed}
            onClick={() => onRespond({ choose: [value] }, false)}
          >
            {value}
          </button>
        ))}
      </div>
      <span className="text-soft">{ends[1]}</span>
    </div>
  );
}
