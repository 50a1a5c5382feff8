import { type ReactNode, useEffect, useRef, useState } from 'react';
import { useKeys } from '../../parts/hooks/useKeys';
import { Rich } from '../../parts/text/Rich';
import { Row } from '../../parts/PageAndMargin';
import { AnswerBox } from '../../kinds/AnswerBox';
import { kindUi } from '../../kinds/registry';
import { Progress } from './Progress';
import { type Sitting, useSecondsLeft, type useSitting } from './useSitting';
import { ReadPages } from './ReadPages';
import { Stretch } from './Stretch';
import type { Response, SittingQuestion } from '../../kinds/content';
import { Told, Watch, Worth } from './SittingMargin';

interface Props {
  sitting: Sitting;
  question: SittingQuestion;
  act: ReturnType<typeof useSitting>['act'];
  waitingFor: ReturnType<typeof useSitting>['waitingFor'];
  clock: ReactNode;
  savedLine: ReactNode;
  onGo: (n: number) => void;
  /** From the last question of this screen. */
  onLeave: () => void;
  onHandIn: () => void;
}

export function OneQuestion({ sitting, question, act, waitingFor, clock, savedLine, onGo, onLeave, onHandIn }: Props) {
  const { n } = question;
  const [response, setResponse] = useState<Response>(() => {
    const waiting = waitingFor(n);
    return waiting ? (waiting.response ?? null) : question.response;
  });
  // After a checked attempt the question is shown again only when asked for.
  const lastTold = question.told.at(-1);
  const [again, setAgain] = useState(lastTold === undefined || JSON.stringify(lastTold.response) !== JSON.stringify(question.response));
  const told = question.told.length;
  const [seen, setSeen] = useState(told);
  if (seen !== told) {
    setSeen(told);
    setAgain(false);
  }
  const timer = useRef<number | undefined>(undefined);
  const unsent = useRef<Response | undefined>(undefined);
  const last = n === sitting.questions.at(-1)?.n;
  const first = n === sitting.questions[0]?.n;
  const forward = sitting.screen?.goesOn === true;
  const free = sitting.screen?.isFree !== false;
  const choices = 'choices' in question.answers ? question.answers.choices.length : 0;
  const open = !question.closed && again;

  const flush = () => {
    window.clearTimeout(timer.current);
    if (unsent.current !== undefined) act('saved', n, unsent.current);
    unsent.current = undefined;
  };
  const leaving = useRef(flush);
  useEffect(() => {
    leaving.current = flush;
  });
  useEffect(() => () => leaving.current(), []);
  const respond = (next: Response, typing: boolean) => {
    if (!open) return;
    setResponse(next);
    unsent.current = next;
    window.clearTimeout(timer.current);
    if (typing) timer.current = window.setTimeout(flush, 500);
    else flush();
  };
  const check = () => {
    if (!sitting.checks || !open || response === null) return;
    window.clearTimeout(timer.current);
    unsent.current = undefined;
    act('checked', n, response);
  };
  const goOn = () => {
    flush();
    if (last) onLeave();
    else onGo(n + 1);
  };
  const flag = () => act(question.flagged ? 'unflagged' : 'flagged', n);

  useKeys((e) => {
    const target = e.target instanceof HTMLElement ? e.target : null;
    if (e.ctrlKey || e.metaKey || e.altKey) return;
    const typing = ['INPUT', 'SELECT', 'TEXTAREA'].includes(target?.tagName ?? '');
    if (e.key === 'Enter' && (typing || !['BUTTON', 'A'].includes(target?.tagName ?? ''))) {
      e.preventDefault();
      if (sitting.checks && open) check();
      else goOn();
    } else if (!typing && /^[1-9]$/.test(e.key) && Number(e.key) <= choices) {
      respond(kindUi(question).pressed?.(question, response, Number(e.key)) ?? null, false);
    } else if (free && !typing && e.key.toLowerCase() === 'f') {
      flag();
    }
  });

  return (
    <>
      <Row
        className="pt-5"
        page={
          <p className="path">
            Question {n}
            {!forward && ` of ${sitting.questions.length}`}
            {sitting.screen?.section && ` · ${sitting.screen.section}`}
            {question.objective && ` · ${question.objective}`}
          </p>
        }
        margin={clock}
        sticky
      />
      <ReadPages sitting={sitting} />
      <Row
        page={<AnswerBox question={{ ...question, closed: !open }} response={response} onRespond={respond} />}
        margin={
          <>
            <Worth sitting={sitting} question={question} />
            <div className="pt-4">
              <Told question={question} />
              <Hints sitting={sitting} question={question} onOpen={() => act('hint opened', n)} />
              <Watch sitting={sitting} n={n} />
            </div>
          </>
        }
      />
      <Row
        className="pt-3"
        page={
          <p className="flex flex-wrap items-baseline gap-x-5 gap-y-2">
            {sitting.checks && open && (
              <button className="btn main" disabled={response === null} onClick={check}>
                Check
              </button>
            )}
            {sitting.checks && !open && !question.closed && (
              <button className="btn" onClick={() => setAgain(true)}>
                Once more
              </button>
            )}
            {!first && (
              <button className="act" onClick={() => onGo(n - 1)}>
                Back
              </button>
            )}
            <button className={sitting.checks && open ? 'act' : 'btn main'} onClick={goOn}>
              Go on
            </button>
            {free && (
              <button className="act" aria-pressed={question.flagged} onClick={flag}>
                {question.flagged ? 'No need to come back' : 'Come back to this'}
              </button>
            )}
            {(!last || forward) && (
              <button className="act" onClick={onHandIn}>
                Hand in the paper
              </button>
            )}
          </p>
        }
        margin={savedLine}
      />
      <Row
        className="pt-7"
        page={
          !forward ? (
            <Progress sitting={sitting} at={n} onGo={onGo} />
          ) : free ? (
            <Stretch
              sitting={sitting}
              n={n}
              onGo={(to) => {
                flush();
                onGo(to);
              }}
              act={(...asked) => {
                flush();
                act(...asked);
              }}
            />
          ) : (
            <p className="text-sm text-soft">{forwardWords(question)}</p>
          )
        }
        margin={
          <p className="at-desk">
            keys: {choices > 0 && `1–${choices} choose · `}
            {sitting.checks ? 'Enter checks' : 'Enter goes on'}
            {free && ' · F marks it to come back to'}
          </p>
        }
      />
    </>
  );
}

/** What going on means where there is no way back. */
const forwardWords = (question: SittingQuestion) =>
  question.closed
    ? ''
    : question.mustAnswer
      ? 'This question must be answered. Once you go on, it cannot be come back to.'
      : 'Once you go on, this question cannot be come back to.';

function Hints({ sitting, question, onOpen }: { sitting: Sitting; question: SittingQuestion; onOpen: () => void }) {
  const { nextHint } = question;
  const wait = useSecondsLeft(sitting, nextHint?.opensAt ?? null);
  const waits = wait !== null && wait > 0;
  return (
    <>
      {question.hintsOpen.map((text, i) => (
        <Rich key={i} text={text} className="say mb-2" />
      ))}
      {nextHint?.open && waits && <p className="text-quiet">a hint in {Math.ceil(wait)} s</p>}
      {nextHint?.open && !waits && (
        <p>
          <button className="act" onClick={onOpen}>
            Hint
          </button>
          {Number(nextHint.costs) > 0 ? `, costs ${nextHint.costs} ${nextHint.costs === '1' ? 'point' : 'points'}` : ', costs nothing'}
        </p>
      )}
      {nextHint && !nextHint.open && <p className="text-quiet">a hint from attempt {nextHint.fromAttempt}</p>}
    </>
  );
}
