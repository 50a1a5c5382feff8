import { useState } from 'react';
import { mapIn, withPart } from '../common/answers/answers';
import { AtAnswer } from '../common/answers/AtAnswer';
import { Board, SpotText } from '../common/answers/Board';
import { Players } from '../common/answers/Players';
import { useShown } from '../common/answers/OnPicture';
import { inWords } from '../../parts/text/inWords';
import { Rich } from '../../parts/text/Rich';
import type { AnswerProps } from '../kindUi';

/** Labels put onto the spots of a picture: press a label, then its spot; or choose the spot's number from the label's list. */
export function PlaceAnswer({ question, response, onRespond }: AnswerProps<'place'>) {
  const { medium, shows, width, height } = useShown(question.answers.picture);
  const { spots, labels } = question.answers;
  const map = mapIn(response, 'place');
  const [held, setHeld] = useState<number | null>(null);
  const place = (label: number, spot: string) => {
    const holder = spot === '' ? undefined : Object.keys(map).find((other) => map[other] === spot);
    const freed = holder === undefined ? response : withPart(response, 'place', Number(holder), '');
    onRespond(withPart(freed, 'place', label, spot), false);
    setHeld(null);
  };
  if (!medium) return <p className="notice">The picture of this question is missing.</p>;
  return (
    <div className="my-3">
      <Board>
        <svg viewBox={`0 0 ${width} ${height}`} className="board seen" role="group" aria-label={shows}>
          <image href={medium.url} width={width} height={height} />
          {spots.map((spot, i) => {
            const label = Object.keys(map).find((l) => map[l] === String(i + 1));
            const drop = () => {
              if (held !== null) place(held, String(i + 1));
              else if (label !== undefined) setHeld(Number(label));
            };
            return (
              <g
                key={i}
                className="spot"
                role="button"
                tabIndex={question.closed ? undefined : 0}
                aria-label={`Spot ${i + 1}${label === undefined ? ', empty' : `: ${inWords(labels[Number(label) - 1] ?? '')}`}`}
                onClick={question.closed ? undefined : drop}
                onDragOver={(e) => e.preventDefault()}
                onDrop={(e) => {
                  e.preventDefault();
                  place(Number(e.dataTransfer.getData('text/plain')), String(i + 1));
                }}
                onKeyDown={(e) => {
                  if (e.key !== 'Enter' && e.key !== ' ') return;
                  e.preventDefault();
                  e.stopPropagation();
                  drop();
                }}
              >
                <circle cx={spot.x} cy={spot.y} r={spot.radius} />
                <SpotText
                  x={spot.x}
                  y={spot.y}
                  width={width}
                  text={label === undefined ? String(i + 1) : (labels[Number(label) - 1] ?? '')}
                />
              </g>
            );
          })}
        </svg>
      </Board>
      <ul className="labels">
        {labels.map((label, i) => (
          <li key={i} className="flex flex-wrap items-baseline gap-2 py-1">
            <button
              type="button"
              className={`tile m-0! w-auto! px-3! py-1! text-[16px]! ${held === i + 1 ? 'held' : ''}`}
              aria-pressed={held === i + 1}
              draggable={!question.closed}
              disabled={question.closed}
              onDragStart={(e) => e.dataTransfer.setData('text/plain', String(i + 1))}
              onClick={() => setHeld(held === i + 1 ? null : i + 1)}
            >
              <Rich text={label} inline still />
            </button>
            <select
              className="field py-1!"
              aria-label={`Spot for “${inWords(label)}”`}
              disabled={question.closed}
              value={map[i + 1] ?? ''}
              onChange={(e) => place(i + 1, e.target.value)}
            >
              <option value="">not placed</option>
              {spots.map((_, s) => (
                <option key={s} value={s + 1}>
                  spot {s + 1}
                </option>
              ))}
            </select>
            <AtAnswer n={i + 1} atAnswers={question.atAnswers} />
            <Players text={label} />
          </li>
        ))}
      </ul>
    </div>
  );
}
