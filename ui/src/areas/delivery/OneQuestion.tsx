import type { KeyboardEvent, ReactNode } from 'react';
import { kindUi } from '../../kinds/registry';
import { useKeys } from '../../parts/hooks/useKeys';
import { Row } from '../../parts/PageAndMargin';
import { PlaceLine, pageWords } from './PlaceLine';
import { CheckButtons, QuestionPart } from './QuestionPart';
import { type Answering, useAnswering } from './useAnswering';
import type { Sitting, useSitting } from './useSitting';
import { ReadPages } from './ReadPages';
import { Stretch } from './Stretch';
import type { SittingQuestion } from '../../kinds/content';

/** What every screen with questions is given. */
export interface ScreenProps {
  sitting: Sitting;
  act: ReturnType<typeof useSitting>['act'];
  waitingFor: ReturnType<typeof useSitting>['waitingFor'];
  clock: ReactNode;
  savedLine: ReactNode;
  onGo: (n: number) => void;
  onLeave: () => void;
  onHandIn: () => void;
}

interface Props extends ScreenProps {
  question: SittingQuestion;
}

/** One question on its screen, with what can be done from there. */
export function OneQuestion({ sitting, question, act, waitingFor, clock, savedLine, onGo, onLeave, onHandIn }: Props) {
  const { n } = question;
  const answering = useAnswering(sitting, question, act, waitingFor);
  const { checks, check, respond, response, canTryAgain, tryAgain } = answering;
  const forward = sitting.screen?.goesOn === true;
  const free = sitting.screen?.isFree !== false;
  // What is closed can be looked at again, and nothing is left to do there.
  const canFlag = free && (!question.closed || question.flagged);
  const choices = 'choices' in question.answers ? question.answers.choices.length : 0;
  const flag = () => act(question.flagged ? 'unflagged' : 'flagged', n);

  useKeys((e) => {
    const target = e.target instanceof HTMLElement ? e.target : null;
    if (e.ctrlKey || e.metaKey || e.altKey) return;
    const typing = ['INPUT', 'SELECT', 'TEXTAREA'].includes(target?.tagName ?? '');
    if (e.key === 'Enter' && target instanceof HTMLSelectElement) {
      // A list that is entered opens; nothing is given away by it.
      e.preventDefault();
      target.showPicker();
    } else if (e.key === 'Enter' && (typing || !['BUTTON', 'A'].includes(target?.tagName ?? ''))) {
      e.preventDefault();
      // Going on would give away the attempt that is left.
      if (checks) check();
      else if (canTryAgain) tryAgain();
      else onLeave();
    } else if (!typing && /^[1-9]$/.test(e.key) && Number(e.key) <= choices) {
      respond(kindUi(question).pressed?.(question, response, Number(e.key)) ?? null, false);
    } else if (canFlag && !typing && e.key.toLowerCase() === 'f') {
      flag();
    }
  });

  // Enter at a choice would only choose it, which Space does too.
  const onChoice = (e: KeyboardEvent) => {
    const role = e.target instanceof HTMLElement ? e.target.getAttribute('role') : null;
    if (e.key !== 'Enter' || !checks || (role !== 'radio' && role !== 'checkbox')) return;
    e.preventDefault();
    e.stopPropagation();
    check();
  };
  return (
    <>
      <Row
        className="pt-5"
        page={
          <PlaceLine>
            {[`Question ${n}`, pageWords(sitting), sitting.screen?.section, question.objective].filter(Boolean).join(' · ')}
          </PlaceLine>
        }
        margin={clock}
        sticky
      />
      <ReadPages sitting={sitting} />
      <div className="contents" onKeyDownCapture={onChoice}>
        <QuestionPart {...{ sitting, question, answering, act }} />
      </div>
      <Row
        className="pt-3"
        page={
          <p className="flex flex-wrap items-baseline gap-x-5 gap-y-2">
            <CheckButtons {...{ question, answering }} />
            <button className={checks || canTryAgain ? 'act' : 'btn main'} onClick={onLeave}>
              Go on
            </button>
            {canFlag && (
              <button className="act" aria-pressed={question.flagged} onClick={flag}>
                {question.flagged ? 'No need to come back' : 'Come back to this'}
              </button>
            )}
            {forward && (
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
          free ? <Stretch sitting={sitting} n={n} onGo={onGo} act={act} /> : <p className="text-sm text-soft">{forwardWords(question)}</p>
        }
        margin={
          <p className="at-desk">
            keys: {choices > 0 && !question.closed && `1–${choices} choose · `}
            {enterWords(answering, question)}
            {canFlag && ' · F marks it to come back to'}
          </p>
        }
      />
    </>
  );
}

const enterWords = ({ checks, canTryAgain }: Answering, { checksOnChoosing }: SittingQuestion) => {
  if (canTryAgain) return 'Enter tries once more';
  if (!checks) return 'Enter goes on';
  return checksOnChoosing ? 'choosing checks' : 'Enter checks';
};

/** What going on means where there is no way back. */
const forwardWords = (question: SittingQuestion) =>
  question.closed
    ? ''
    : question.mustAnswer
      ? 'This question must be answered. Once you go on, it cannot be come back to.'
      : 'Once you go on, this question cannot be come back to.';
