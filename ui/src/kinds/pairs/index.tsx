import { mapIn, withPart } from '../common/answers/answers';
import { Matching } from '../common/answers/Matching';
import { unweighParts, weighParts } from '../common/rows/weights';
import type { AnswerProps, KindUi } from '../kindUi';
import { PairRows } from './PairRows';

/** Each left-hand side with a list of right-hand sides. One is used once: given to another, it leaves the one that had it. */
function PairsAnswer({ question, response, onRespond }: AnswerProps<'pairs'>) {
  const given = mapIn(response, 'pairs');
  const give = (part: number, target: string) => {
    const holder = target === '' ? undefined : Object.keys(given).find((other) => given[other] === target);
    const freed = holder === undefined ? response : withPart(response, 'pairs', Number(holder), '');
    onRespond(withPart(freed, 'pairs', part, target), false);
  };
  const { lefts, rights } = question.answers;
  return <Matching parts={lefts} targets={rights} given={given} closed={question.closed} atAnswers={question.atAnswers} onGive={give} />;
}

export const pairs: KindUi<'pairs'> = {
  Rows: PairRows,
  Answer: PairsAnswer,
  lines: (content) => content.pairs,
  weighed: (content, remembered) => ({ ...content, pairs: weighParts(content.pairs, remembered) }),
  unweighed: (content) => ({ ...content, pairs: unweighParts(content.pairs) }),
  weights: (content) => content.pairs.map(({ earns }) => earns),
  tidy: (content) => ({
    ...content,
    pairs: content.pairs.filter((p) => p.text.trim() !== '' || (p.with ?? '').trim() !== ''),
    spares: content.spares.filter((spare) => spare.trim() !== ''),
  }),
};
