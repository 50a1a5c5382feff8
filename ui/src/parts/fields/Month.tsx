import { type KeyboardEvent, useEffect, useRef, useState } from 'react';
import { day, language, weekBegins } from '../text/moments';

const DAY = 1;
const WEEK = 7;
const steps: Record<string, number> = { ArrowLeft: -DAY, ArrowRight: DAY, ArrowUp: -WEEK, ArrowDown: WEEK };

const moved = (date: Date, days: number, months = 0) => new Date(date.getFullYear(), date.getMonth() + months, date.getDate() + days);

/** The days of a month in their weeks. Arrow keys go from day to day, page keys from month to month. */
export function Month({ chosen, onPick }: { chosen: Date | null; onPick: (date: Date) => void }) {
  const [at, setAt] = useState(() => moved(chosen ?? new Date(), 0));
  const here = useRef<HTMLButtonElement>(null);
  useEffect(() => here.current?.focus(), [at]);
  const first = new Date(at.getFullYear(), at.getMonth(), 1);
  const before = (first.getDay() - (weekBegins() % WEEK) + WEEK) % WEEK;
  const weeks = [0, 1, 2, 3, 4, 5].map((week) => [0, 1, 2, 3, 4, 5, 6].map((n) => moved(first, week * WEEK + n - before)));
  const onKey = (e: KeyboardEvent) => {
    const days = steps[e.key];
    const months = { PageUp: -1, PageDown: 1 }[e.key];
    if (days === undefined && months === undefined) return;
    e.preventDefault();
    setAt(days === undefined ? inMonth(at, months ?? 0) : moved(at, days));
  };
  const words = (options: Intl.DateTimeFormatOptions, date: Date) => date.toLocaleDateString(language(), options);
  return (
    <div>
      <p className="flex items-baseline justify-between gap-3 pb-1">
        <button className="act" aria-label="The month before" onClick={() => setAt(inMonth(at, -1))}>
          ←
        </button>
        <span aria-live="polite">{words({ month: 'long', year: 'numeric' }, at)}</span>
        <button className="act" aria-label="The month after" onClick={() => setAt(inMonth(at, 1))}>
          →
        </button>
      </p>
      <table>
        <thead>
          <tr>
            {weeks[0]?.map((date) => (
              <th key={date.getDay()} scope="col" className="px-1 text-sm font-normal text-quiet">
                {words({ weekday: 'short' }, date)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {weeks.map((week) => (
            <tr key={week[0]?.getTime()}>
              {week.map((date) => (
                <td key={date.getTime()} className="text-center">
                  {date.getMonth() === at.getMonth() && (
                    <button
                      ref={date.getTime() === at.getTime() ? here : undefined}
                      tabIndex={date.getTime() === at.getTime() ? 0 : -1}
                      className={`fig min-h-7 w-full px-1.5 hover:bg-tint ${chosen && date.getTime() === moved(chosen, 0).getTime() ? 'bg-tint font-bold' : ''}`}
                      aria-label={day(date.toISOString())}
                      onKeyDown={onKey}
                      onClick={() => onPick(date)}
                    >
                      {date.getDate()}
                    </button>
                  )}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** The same day of another month, or the last one there is. */
function inMonth(date: Date, months: number): Date {
  const last = new Date(date.getFullYear(), date.getMonth() + months + 1, 0);
  return new Date(last.getFullYear(), last.getMonth(), Math.min(date.getDate(), last.getDate()));
}
