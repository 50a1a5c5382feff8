import { TypedBox } from '../common/answers/TypedBox';
import { filled, hasText } from '../common/rows/rows';
import { TypedRows } from '../common/rows/TypedRows';
import { TypedSettings } from '../common/rows/TypedSettings';
import type { AnswerProps, KindUi, RowsProps } from '../kindUi';

function TextRows({ content, margin, readOnly, edit }: RowsProps<'text'>) {
  return (
    <TypedRows
      accepted={content.wordings}
      margin={margin}
      readOnly={readOnly}
      placeholder="an accepted wording"
      hasPatterns
      onAccepted={(wordings) => edit((c) => ({ ...c, wordings }))}
    />
  );
}

const TextAnswer = (props: AnswerProps<'text'>) => <TypedBox {...props} closed={props.question.closed} inputMode="text" />;

export const text: KindUi<'text'> = {
  Rows: TextRows,
  Answer: TextAnswer,
  isGivenInWords: true,
  Settings: TypedSettings,
  lines: ({ wordings }) => wordings,
  tidy: (content) => ({ ...content, wordings: content.wordings.filter(hasText) }),
  withIds: (content) => ({ ...content, wordings: filled(content.wordings) }),
  withoutKeys: (content) => ({ ...content, wordings: [] }),
};
