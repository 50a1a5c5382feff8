import { useEffect, useRef, useState } from 'react';
import { AnswerBox } from '../../kinds/AnswerBox';
import { AnswerLines } from '../../kinds/common/answers/AnswerLines';
import { chosenIn } from '../../kinds/common/answers/answers';
import type { SittingQuestion } from '../../kinds/content';
import { useFocusOnNew } from '../../parts/hooks/useFocusOnNew';
import { Row } from '../../parts/PageAndMargin';
import { Rich } from '../../parts/text/Rich';
import { Told, Watch, Worth } from './SittingMargin';
import type { Answering } from './useAnswering';
import { type Sitting, useSecondsLeft, type useSitting } from './useSitting';

interface Props {
  sitting: Sitting;
  question: SittingQuestion;
  answering: Answering;
}

/** A question with its answers on the page, and in the margin what it is worth, what was said, and the next hint. */
export function QuestionPart({ sitting, question, answering, act }: Props & { act: ReturnType<typeof useSitting>['act'] }) {
  const { response, open, respond, isToldAlone } = answering;
  const [wanted, setWanted] = useState(false);
  const newest = useFocusOnNew<HTMLDivElement>(question.told.length);
  const answers = useRef<HTMLDivElement>(null);
  const isAgain = open && question.told.length > 0;
  useEffect(() => {
    if (isAgain) firstIn(answers.current)?.focus();
  }, [isAgain]);
  const keyShows = !question.keyOnRequest || wanted;
  const said = (
    <>
      <Told question={question} newest={newest} />
      {keyShows ? <RightAnswer question={question} /> : <KeyButton question={question} onPress={() => setWanted(true)} />}
    </>
  );
  return (
    <Row
      page={
        isToldAlone ? (
          <div className="pt-2">{said}</div>
        ) : (
          <div ref={answers}>
            <AnswerBox
              question={{ ...question, closed: !open, atAnswers: open ? [] : keyShows ? question.atAnswers : withoutKey(question) }}
              response={response}
              onRespond={respond}
            />
          </div>
        )
      }
      margin={
        <>
          <Worth sitting={sitting} question={question} />
          <div className="pt-4">
            {!isToldAlone && said}
            <Hints sitting={sitting} question={question} onOpen={() => act('hint opened', question.n)} />
            <Watch sitting={sitting} n={question.n} />
          </div>
        </>
      }
    />
  );
}

/** Where answering goes on: at what is chosen, or at the first place. */
const firstIn = (answers: HTMLElement | null) =>
  answers?.querySelector<HTMLElement>('[role=radio][aria-checked=true]:enabled') ??
  answers?.querySelector<HTMLElement>(':is(input, select, textarea, button):enabled');

/** What stands at the answers before the right one is asked for: where one is chosen, what that came to. */
function withoutKey({ kind, atAnswers, response }: SittingQuestion): SittingQuestion['atAnswers'] {
  return kind === 'several' ? [] : atAnswers.filter(({ n }) => chosenIn(response).includes(n));
}

function KeyButton({ question: { rightAnswer, told }, onPress }: { question: SittingQuestion; onPress: () => void }) {
  if (rightAnswer.length === 0 || told.at(-1)?.outcome === 'right') return null;
  return (
    <p className="mb-2 ml-[15px]">
      <button className="act" onClick={onPress}>
        Show the right answer
      </button>
    </p>
  );
}

/** Checking, and trying once more; where it cannot be checked yet, why. */
export function CheckButtons({ question, answering: { checks, why, check, canTryAgain, tryAgain } }: Omit<Props, 'sitting'>) {
  return (
    <>
      {checks && !question.checksOnChoosing && (
        <button className="btn main" disabled={why !== null} title={why ?? undefined} onClick={check}>
          Check
        </button>
      )}
      {checks && why !== null && question.response !== null && <span className="text-sm text-soft">{why}</span>}
      {canTryAgain && (
        <button className="btn main" onClick={tryAgain}>
          Once more
        </button>
      )}
    </>
  );
}

/** The right answer, where the rules tell it once nothing more can be given. */
function RightAnswer({ question: { rightAnswer, told } }: { question: SittingQuestion }) {
  if (rightAnswer.length === 0 || told.at(-1)?.outcome === 'right') return null;
  return (
    <p className="mb-2 ml-[15px]">
      right:{' '}
      <span className="font-reading">
        <AnswerLines lines={rightAnswer} />
      </span>
    </p>
  );
}

function Hints({ sitting, question, onOpen }: { sitting: Sitting; question: SittingQuestion; onOpen: () => void }) {
  const { nextHint } = question;
  const wait = useSecondsLeft(sitting, nextHint?.opensAt ?? null);
  const waits = wait !== null && wait > 0;
  const newest = useFocusOnNew<HTMLDivElement>(question.hintsOpen.length);
  return (
    <>
      {question.hintsOpen.map((text, i) => (
        <div key={i} ref={i === question.hintsOpen.length - 1 ? newest : undefined} tabIndex={-1} role="group" aria-label={`Hint ${i + 1}`}>
          <Rich text={text} className="say mb-2" />
        </div>
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
