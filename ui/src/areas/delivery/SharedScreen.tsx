import { useEffect, useRef } from 'react';
import type { SittingQuestion } from '../../kinds/content';
import { Guard } from '../../parts/Guard';
import { Row } from '../../parts/PageAndMargin';
import type { ScreenProps } from './OneQuestion';
import { focusOnPlace, pageWords, PlaceLine } from './PlaceLine';
import { CheckButtons, QuestionPart } from './QuestionPart';
import { OnePage } from './ReadPages';
import { Stretch } from './Stretch';
import { useAnswering } from './useAnswering';

interface Props extends ScreenProps {
  /** the question that was asked for last: it is brought into sight */
  at: number;
  /** what makes questions begin afresh */
  about: string;
}

/** Pages and questions that share a screen, below each other; they are left together. */
export function SharedScreen({ sitting, at, about, act, waitingFor, clock, savedLine, onGo, onLeave, onHandIn }: Props) {
  const { screen } = sitting;
  const free = screen?.isFree !== false;
  const forward = screen?.goesOn === true;
  const isHere = sitting.questions.some(({ n }) => n === at);
  const seen = useRef(at);
  useEffect(() => {
    if (seen.current === at || !isHere) return;
    seen.current = at;
    focusOnPlace(at);
  }, [at, isHere]);
  const numbers = sitting.questions.map(({ n }) => n);
  return (
    <>
      <Row
        className="pt-5"
        page={
          <PlaceLine>
            {[
              numbers.length === 1 ? `Question ${numbers[0] ?? ''}` : `Questions ${numbers[0] ?? ''} to ${numbers.at(-1) ?? ''}`,
              pageWords(sitting),
              screen?.section,
            ]
              .filter(Boolean)
              .join(' · ')}
          </PlaceLine>
        }
        margin={
          <>
            {clock}
            {savedLine}
          </>
        }
        sticky
      />
      {screen?.items.map(({ page, n }, i) => {
        if (page !== null) return <OnePage key={i} name={page} />;
        const question = sitting.questions.find((one) => one.n === n);
        return (
          question && (
            <Guard key={i} what={`Question ${question.n}`} about={`${question.n} ${about} ${sitting.events}`}>
              <OnScreen key={about} {...{ sitting, question, act, waitingFor, free }} />
            </Guard>
          )
        );
      })}
      <Row
        line
        className="pt-5"
        page={
          <p className="flex flex-wrap items-baseline gap-x-5 gap-y-2">
            <button className="btn main" onClick={onLeave}>
              {forward ? 'Go on' : 'Look over and hand in'}
            </button>
            {forward && (
              <button className="act" onClick={onHandIn}>
                Hand in the paper
              </button>
            )}
          </p>
        }
      />
      <Row
        className="pt-4 pb-4"
        page={
          free ? (
            <Stretch sitting={sitting} onGo={onGo} act={act} />
          ) : (
            <p className="text-sm text-soft">Once you go on, these questions cannot be come back to.</p>
          )
        }
      />
    </>
  );
}

function OnScreen({
  sitting,
  question,
  act,
  waitingFor,
  free,
}: Pick<Props, 'sitting' | 'act' | 'waitingFor'> & { question: SittingQuestion; free: boolean }) {
  const answering = useAnswering(sitting, question, act, waitingFor);
  const { n, flagged } = question;
  return (
    <>
      <Row
        line
        className="pt-5"
        page={
          <h2 className="path" data-question={n} tabIndex={-1}>
            Question {n}
            {question.mustAnswer && ', must be answered'}
          </h2>
        }
      />
      <QuestionPart {...{ sitting, question, answering, act }} />
      <Row
        className="pt-2 pb-4"
        page={
          <p className="flex flex-wrap items-baseline gap-x-5 gap-y-2">
            <CheckButtons {...{ question, answering }} />
            {free && (!question.closed || flagged) && (
              <button
                className="act"
                aria-label={flagged ? `No need to come back to question ${n}` : `Come back to question ${n}`}
                aria-pressed={flagged}
                onClick={() => act(flagged ? 'unflagged' : 'flagged', n)}
              >
                {flagged ? 'No need to come back' : 'Come back to this'}
              </button>
            )}
          </p>
        }
      />
    </>
  );
}
