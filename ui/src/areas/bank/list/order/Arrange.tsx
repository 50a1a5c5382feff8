import { errorWords, type Schema } from '../../../../api/client';
import { Row } from '../../../../parts/PageAndMargin';
import { count } from '../../../../parts/text/figures';
import type { Choosing } from '../many/useChosen';
import { type Arranging, placeOf } from './useArranging';

/** Moves the chosen questions within their objective; without any chosen, tells the keys and the last step's way back. */
export function Arrange({ questions, chosen, arranging }: { questions: Schema['QuestionRow'][]; chosen: Choosing; arranging: Arranging }) {
  const moved = questions.filter(({ id }) => chosen.has(id)).map(({ id }) => id);
  const objective = questions.find(({ id }) => id === moved[0])?.objective ?? null;
  const all = questions.filter((one) => one.objective === objective);
  const there = all.filter(({ id }) => !moved.includes(id));
  const stand = (some: typeof all) => some.every(({ id }) => moved.includes(id));
  const may = moved.length > 0 && objective !== null && questions.every(({ id, objective: at }) => !moved.includes(id) || at === objective);
  const error = arranging.change.error ?? arranging.undo.error;
  if (!may && !arranging.last && !error) return null;
  const steps: [string, number | null | undefined][] = [
    ['to the top', stand(all.slice(0, moved.length)) ? undefined : there[0]?.id],
    ['up', placeOf(questions, moved, -1)],
    ['down', placeOf(questions, moved, 1)],
    ['to the end', stand(all.slice(-moved.length)) ? undefined : null],
  ];
  return (
    <Row
      className="border-t border-rule pt-2 pb-1"
      page={
        may && (
          <p>
            Move {count(moved.length, 'question')} within {objective.split(' > ').at(-1)}:{' '}
            {steps.map(([words, before]) => (
              <button
                key={words}
                className="act mr-3"
                disabled={before === undefined || arranging.change.isPending}
                onClick={() => arranging.put(moved, before)}
              >
                {words}
              </button>
            ))}
            <span className="path">Alt ↑ and ↓ move the row one is at</span>
          </p>
        )
      }
      margin={
        <p>
          {arranging.last && (
            <>
              <span role="status">{arranging.last.words}</span>{' '}
              <button className="act" disabled={arranging.undo.isPending} onClick={arranging.undoLast}>
                undo
              </button>
            </>
          )}
          {error && (
            <span className="notice block" role="alert">
              {errorWords(error)}
            </span>
          )}
        </p>
      }
    />
  );
}
