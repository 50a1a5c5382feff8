import { TypedBox } from '../common/answers/TypedBox';
import { filled } from '../common/rows/rows';
import type { AnswerProps, KindUi } from '../kindUi';
import { NumberRows, NumberSettings } from './NumberRows';

const NumberAnswer = (props: AnswerProps<'number'>) => (
  <TypedBox {...props} closed={props.question.closed} inputMode="decimal" unit={props.question.answers.units[0] ?? ''} />
);

export const number: KindUi<'number'> = {
  Rows: NumberRows,
  Answer: NumberAnswer,
  isGivenInWords: true,
  Settings: NumberSettings,
  lines: ({ spans }) => spans,
  tidy: (content) => ({ ...content, spans: content.spans.filter(({ span }) => span.trim() !== '') }),
  withIds: (content) => ({ ...content, spans: filled(content.spans) }),
  withoutKeys: (content) => ({ ...content, spans: [] }),
};
