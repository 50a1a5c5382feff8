import type { Schema } from '../../../api/client';
import { count, duration, points } from '../../../parts/text/figures';
import { day, timeOfDay } from '../../../parts/text/moments';

/** What is known of an assessment before it is begun: how much, how long, when, what passes. */
export function OfferFacts({ offer: a }: { offer: Schema['Offer'] }) {
  const pass = a.pass?.percent ? `${a.pass.percent} %` : a.pass?.points ? `${a.pass.points} ${points(a.pass.points)}` : null;
  return (
    <>
      <p>
        {a.fewest < a.questions && 'up to '}
        {count(a.questions, 'question')}
        {a.seconds !== null ? `, ${duration(a.seconds)}, the clock starts with “Begin”` : ', no time limit for the whole'}
        {a.timed && '; parts of it have a time of their own'}
      </p>
      {(a.opens !== null || a.closes !== null) && a.sittingsLeft !== 0 && (
        <p>
          {a.opens !== null && `can be begun from ${day(a.opens)}, ${timeOfDay(a.opens)} on`}
          {a.opens !== null && a.closes !== null && '; '}
          {a.closes !== null && `closes on ${day(a.closes)}, ${timeOfDay(a.closes)}`}
        </p>
      )}
      <p>
        {pass ? `${pass} pass` : 'no pass mark'}
        {a.minimums > 0 && `, and a minimum in ${count(a.minimums, 'objective')}`}
        {a.sittingsLeft !== null && ` · ${a.sittingsLeft === 0 ? 'no sitting left' : `${count(a.sittingsLeft, 'sitting')} left`}`}
      </p>
    </>
  );
}
