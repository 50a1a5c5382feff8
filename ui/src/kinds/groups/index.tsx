import { mapIn, withPart } from '../common/answers/answers';
import { Matching } from '../common/answers/Matching';
import { hasText } from '../common/rows/rows';
import { unweighParts, weighParts } from '../common/rows/weights';
import type { AnswerProps, KindUi } from '../kindUi';
import { GroupRows } from './GroupRows';

/** Each item with a list of the groups. */
function GroupsAnswer({ question, response, onRespond }: AnswerProps<'groups'>) {
  const { items, groups: targets } = question.answers;
  const give = (part: number, target: string) => onRespond(withPart(response, 'groups', part, target), false);
  return (
    <Matching
      parts={items}
      targets={targets}
      given={mapIn(response, 'groups')}
      closed={question.closed}
      atAnswers={question.atAnswers}
      onGive={give}
    />
  );
}

export const groups: KindUi<'groups'> = {
  Rows: GroupRows,
  Answer: GroupsAnswer,
  lines: (content) => content.items,
  weighed: (content, remembered) => ({ ...content, items: weighParts(content.items, remembered) }),
  unweighed: (content) => ({ ...content, items: unweighParts(content.items) }),
  weights: (content) => content.items.map(({ earns }) => earns),
  tidy: (content) => ({ ...content, items: content.items.filter(hasText) }),
};
