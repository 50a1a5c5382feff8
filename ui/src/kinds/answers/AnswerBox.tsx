import type { ComponentType } from 'react';
import { Rich } from '../../parts/Rich';
import { type AnswerProps, howTo } from './answers';
import { Choices, Scale } from './Choices';
import { Clicks, Labels } from './OnPicture';
import { Matching, Ordering } from './Sorting';
import { GapText, Typed } from './Typed';
import type { SittingQuestion } from '../content';

const boxes: Record<SittingQuestion['kind'], ComponentType<AnswerProps> | null> = {
  one: Choices,
  several: Choices,
  claim: Choices,
  text: Typed,
  number: Typed,
  gaps: null, // answered within the stem
  pairs: Matching,
  groups: Matching,
  order: Ordering,
  regions: Clicks,
  place: Labels,
  rating: Scale,
};

/** What is asked, how to answer, and where: the same for a candidate, a rehearsal and an author who looks. */
export function AnswerBox(props: AnswerProps) {
  const { question } = props;
  const Box = boxes[question.kind];
  return (
    <>
      {Box === null ? <GapText key={question.n} {...props} /> : <Rich text={question.stem} className="stem text-[25px]!" />}
      <p className="path pt-2">{howTo(question)}</p>
      {Box && <Box key={question.n} {...props} />}
    </>
  );
}
