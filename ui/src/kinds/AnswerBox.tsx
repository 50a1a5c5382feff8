import { Rich } from '../parts/text/Rich';
import type { AskedQuestion, Response } from './content';
import type { AnswerProps } from './kindUi';
import { kindFacts, kindUi } from './registry';

interface Props {
  question: AskedQuestion & { how: string | null };
  response: Response;
  onRespond: AnswerProps<'one'>['onRespond'];
}

/** What is asked, how to answer, and where: the same for a candidate, a rehearsal and an author who looks. */
export function AnswerBox({ question, response, onRespond }: Props) {
  const { Answer, isWithinStem = false, howTo } = kindUi(question);
  const how = <p className="path pt-2">{question.how ?? howTo?.(question) ?? kindFacts(question).how}</p>;
  const answer = <Answer key={question.n} question={question} response={response} onRespond={onRespond} />;
  return isWithinStem ? (
    <>
      {answer}
      {how}
    </>
  ) : (
    <>
      <Rich text={question.stem} className="stem text-[25px]!" />
      {how}
      {answer}
    </>
  );
}
