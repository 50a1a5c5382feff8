import { type KeyboardEvent, type ReactNode, useRef, useState } from 'react';
import { Moving, useDropPlace, useTakenUp } from '../../parts/Moving';
import { inWords } from '../../parts/text/inWords';
import { Rich } from '../../parts/text/Rich';
import type { AnswerProps } from '../kindUi';

/** Items put in order by dragging, with the buttons, or with Alt and an arrow. Until one is moved, nothing is answered. */
export function OrderAnswer({ question, response, onRespond }: AnswerProps<'order'>) {
  const { items } = question.answers;
  const given = response && 'order' in response ? response.order : [];
  const order = given.length > 0 ? given : items.map((_, i) => i + 1);
  const buttons = useRef(new Map<number, HTMLElement>());
  const [said, setSaid] = useState('');
  const move = (from: number, to: number) => {
    const item = order[from];
    if (item === undefined || to < 0 || to >= order.length || question.closed) return;
    onRespond({ order: order.toSpliced(from, 1).toSpliced(to, 0, item) }, false);
    setSaid(`${inWords(items[item - 1] ?? '')} is now number ${to + 1}`);
    window.setTimeout(() => buttons.current.get(item)?.focus(), 0);
  };
  const keys = (i: number) => (e: KeyboardEvent) => {
    if (!['ArrowUp', 'ArrowDown'].includes(e.key)) return;
    e.preventDefault();
    move(i, e.key === 'ArrowUp' ? i - 1 : i + 1);
  };
  return (
    <>
      <Moving what="Item" onMove={move}>
        <ol className="my-3">
          {order.map((item, i) => (
            <Item key={item} i={i} closed={question.closed}>
              <span className="fig grip-here text-quiet" data-grip>
                {i + 1}
              </span>
              <span className="flex-1 font-reading text-[18px]">
                <Rich text={items[item - 1] ?? ''} inline />
              </span>
              {!question.closed && (
                <span className="flex gap-3 text-sm">
                  <button
                    ref={(element) => {
                      if (element) buttons.current.set(item, element);
                    }}
                    type="button"
                    className="act"
                    disabled={i === 0}
                    aria-label={`Move “${inWords(items[item - 1] ?? '')}” up`}
                    onKeyDown={keys(i)}
                    onClick={() => move(i, i - 1)}
                  >
                    up
                  </button>
                  <button
                    type="button"
                    className="act"
                    disabled={i === order.length - 1}
                    aria-label={`Move “${inWords(items[item - 1] ?? '')}” down`}
                    onKeyDown={keys(i)}
                    onClick={() => move(i, i + 1)}
                  >
                    down
                  </button>
                </span>
              )}
            </Item>
          ))}
        </ol>
      </Moving>
      {given.length === 0 && !question.closed && (
        <p>
          <button type="button" className="act" onClick={() => onRespond({ order }, false)}>
            It is right as it stands
          </button>
        </p>
      )}
      <p className="sr-only" role="status">
        {said}
      </p>
    </>
  );
}

/** An item, dragged as a whole. */
function Item({ i, closed, children }: { i: number; closed: boolean; children: ReactNode }) {
  const up = useTakenUp(i, closed);
  const place = useDropPlace(i, closed);
  return (
    <li
      ref={(element) => {
        up.ref(element);
        place.ref(element);
      }}
      className={`flex items-baseline gap-3 border-t border-rule py-2 ${closed ? '' : 'movable'} ${up.isDragging ? 'taken-up' : ''} ${place.isOver ? 'drop-here' : ''}`}
      {...up.listeners}
    >
      {children}
    </li>
  );
}
