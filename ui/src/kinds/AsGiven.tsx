import { AnswerLines } from './common/answers/AnswerLines';
import { AnsweredPicture } from './common/answers/AnsweredPicture';
import type { AskedQuestion, Response } from './content';
import { kindUi } from './registry';
import type { Schema } from '../api/client';
import { Rich } from '../parts/text/Rich';

interface Props {
  question: Omit<AskedQuestion, 'closed' | 'choose'> & Pick<Schema['Review']['questions'][number], 'response' | 'picture'>;
  given: Response;
  /** whose answer it is */
  who: string;
}

const nothing = () => undefined;

/** A question as it was seen, with what was given to it; what was typed, or pressed on a picture, in words. */
export function AsGiven({ question, given, who }: Props) {
  const { Answer, isWithinStem = false, isGivenInWords = false } = kindUi(question);
  return (
    <div className="as-given">
      {!isWithinStem && <Rich text={question.stem} className="stem" />}
      {!isGivenInWords && <Answer question={{ ...question, closed: true, choose: null }} response={given} onRespond={nothing} />}
      {(isGivenInWords || given === null) && (
        <p className="mt-1">
          <span className="text-soft">{who}: </span>
          {question.response.length > 0 ? (
            <span className="font-reading">
              <AnswerLines lines={question.response} />
            </span>
          ) : (
            <span className="text-quiet">nothing</span>
          )}
        </p>
      )}
      {question.picture && <AnsweredPicture answered={question.picture} />}
    </div>
  );
}
