import { AnswersIn, layouts } from '../common/rows/AnswersIn';
import { ChoiceRows } from '../common/rows/ChoiceRows';
import type { RowsProps, SettingParts } from '../kindUi';

export function OneRows({ content, margin, readOnly, edit }: RowsProps<'one'>) {
  return (
    <ChoiceRows
      single
      content={content}
      margin={margin}
      readOnly={readOnly}
      onChoices={(make) => edit((c) => ({ ...c, choices: make(c.choices) }))}
    />
  );
}

export function OneSettings(parts: SettingParts) {
  return <AnswersIn {...parts} layouts={[...layouts, { value: 'list', words: 'a drop-down list' }]} />;
}
