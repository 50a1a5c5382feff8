import { type Ref, useState } from 'react';
import { Link } from 'react-router';
import type { Schema } from '../../api/client';
import { clock, duration, figure, points } from '../../parts/text/figures';
import { AnswerLines } from '../../kinds/common/answers/AnswerLines';
import { Gauge, Outcome } from '../../parts/Gauge';
import { Row } from '../../parts/PageAndMargin';
import { Rich } from '../../parts/text/Rich';
import type { SavedState, Sitting } from './useSitting';
import type { SittingQuestion } from '../../kinds/content';

/** The time that this question or section has of its own. */
export function OwnClock({ of, left }: { of: 'question' | 'section'; left: number | null }) {
  if (left === null) return null;
  return (
    <p>
      <span className={`fig text-[18px]! ${left < 10 ? 'text-wrong' : 'text-ink'}`} role="timer">
        {clock(left)}
      </span>{' '}
      left for this {of}
      <Warned left={left} of={`this ${of}`} />
    </p>
  );
}

/** Seconds at which one who does not see the clock is told how long is left. */
const warnings = [10, 30, 60, 300, 600];

/** Read out once as each of these is passed; a clock that is read every second would be heard all the time. */
function Warned({ left, of, whole }: { left: number; of: string; whole?: number }) {
  // A clock that begins below one of these has not passed it; where it is not known how long it was, what it began with here.
  const [first] = useState(left);
  const passed = warnings.find((at) => left <= at && at < (whole ?? first));
  return (
    <span className="sr-only" role="status">
      {passed !== undefined && (left <= 0 ? `The time for ${of} has run out.` : `${duration(passed)} left for ${of}.`)}
    </span>
  );
}

export function Clock({ left, seconds }: { left: number | null; seconds: number | null }) {
  if (seconds === null) return <p>no time limit for the whole</p>;
  return (
    <p>
      <span className={`fig text-[22px]! ${left !== null && left < 60 ? 'text-wrong' : 'text-ink'}`} role="timer">
        {left === null ? clock(seconds) : clock(left)}
      </span>{' '}
      {/* Who was given more time has more left than the whole had. */}
      {left !== null && left > seconds ? 'left' : `left of ${duration(seconds)}`}
      {left !== null && <Warned left={left} of="the whole" whole={seconds} />}
      {left !== null && left < 60 && <span className="block text-wrong">When it runs out, what is saved is handed in.</span>}
    </p>
  );
}

/** Points so far, where the rules show them. */
export function SoFar({ score }: { score: Sitting['score'] }) {
  if (score === null) return null;
  return (
    <p>
      so far <b className="fig">{figure(score.earned)}</b> of <b className="fig">{score.max}</b> {points(score.max)}
    </p>
  );
}

/** @param anything whether there is something here that was saved; else nothing is said of it until something is */
export function SavedLine({
  saved,
  notice,
  why,
  anything,
}: {
  saved: SavedState;
  notice: string | null;
  why: string | null;
  anything: boolean;
}) {
  return (
    <>
      <p role="status" aria-live="polite" className={saved === 'waiting' ? 'text-wrong' : ''}>
        {saved === 'saved'
          ? anything && 'saved'
          : saved === 'saving'
            ? 'saving …'
            : why !== null
              ? `Not saved yet. ${why}`
              : 'Not saved yet: no connection. It is kept here and sent as soon as there is one.'}
      </p>
      {notice && (
        <p className="notice mt-1" role="alert">
          {notice}
        </p>
      )}
    </>
  );
}

/** What the question is worth here, what is left of it after attempts and hints, and what a wrong answer costs. */
export function Worth({ sitting, question }: { sitting: Sitting; question: SittingQuestion }) {
  const { graded, worth, worthNow, wrongCosts, attempt, attempts, hintsOpen } = question;
  const parts = [
    !graded && <>ungraded</>,
    graded && worth !== null && (
      <>
        up to <b className="fig">{worth}</b> {points(worth)}
      </>
    ),
    sitting.checks && (
      <>
        attempt <b>{attempt}</b>
        {attempts !== null && ` of ${attempts}`}
      </>
    ),
    graded && worthNow !== null && (attempt > 1 || hintsOpen.length > 0) && (
      <>
        <b className="fig">{figure(worthNow)}</b> left
      </>
    ),
    wrongCosts !== null && (
      <>
        a wrong answer costs <b className="fig">{figure(wrongCosts)}</b>
      </>
    ),
  ].filter((part) => part !== false);
  return (
    <p className="pt-2">
      {parts.map((part, i) => (
        <span key={i}>
          {i > 0 && ' · '}
          {part}
        </span>
      ))}
    </p>
  );
}

/** What was said after each attempt so far. @param newest where the last of it stands */
export function Told({ question, newest }: { question: SittingQuestion; newest?: Ref<HTMLDivElement> }) {
  const { told, attempts } = question;
  return told.map((one, i) => (
    <div key={one.attempt} className="mb-3" ref={i === told.length - 1 ? newest : undefined} tabIndex={-1} role="group">
      <Outcomes told={one} before={attempts !== 1 ? `attempt ${one.attempt}: ` : ''} />
    </div>
  ));
}

/** What an attempt came to, and what its author says to that. */
function Outcomes({ told, before }: { told: SittingQuestion['told'][number]; before: string }) {
  return (
    <>
      <p>
        <Gauge {...told} />
        {before}
        {figure(told.facts)}
      </p>
      {told.said.map((text, i) => (
        <Rich key={i} text={text} className="say mt-1 ml-[15px]" />
      ))}
    </>
  );
}

/** A question that was gone on from by itself: what it came to, on the screen after it. */
export function Passed({ question: { n, told } }: { question: SittingQuestion }) {
  const last = told.at(-1);
  return (
    last && (
      <Row
        className="pt-4"
        page={
          <div role="status">
            <Outcomes told={last} before={`Question ${n}: `} />
          </div>
        }
      />
    )
  );
}

/** What the author sees of each mark while rehearsing: its working as it would stand now, and the key. */
export function Watch({ sitting, n }: { sitting: Sitting; n: number }) {
  const watch = sitting.watch;
  const row: NonNullable<Schema['Sitting']['watch']>['questions'][number] | undefined = watch?.questions[n - 1];
  if (!watch || !row) return null;
  return (
    <section className="mt-4 border-t border-rule pt-3" aria-label="Watch">
      <h2 className="head">watch</h2>
      <p>
        <Link className="act" to={`/questions/${row.question}`} state={{ back: `/sittings/${sitting.id}` }}>
          to the question{row.name === null ? '' : ` “${row.name}”`}
        </Link>
        {row.draft && ', a draft'}
      </p>
      <p>
        as it stands: <Outcome outcome={row.outcome} earned={row.earned} max={row.max} />, <b className="fig">{figure(row.earned)}</b> of{' '}
        <b className="fig">{row.max}</b>
      </p>
      <ul className="ml-[15px]">
        {row.working.map((line, i) => (
          <li key={i}>{line}</li>
        ))}
      </ul>
      <p className="mt-1">
        key:{' '}
        <span className="say">
          <AnswerLines lines={row.key} />
        </span>
      </p>
      <p className="mt-1">
        whole paper so far <b className="fig">{figure(watch.sum)}</b> of <b className="fig">{watch.max}</b> · seed{' '}
        <b className="fig">{watch.seed}</b>
      </p>
    </section>
  );
}
