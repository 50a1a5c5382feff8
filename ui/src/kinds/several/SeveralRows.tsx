import { AnswersIn, layouts } from '../common/rows/AnswersIn';
import { ChoiceRows } from '../common/rows/ChoiceRows';
import type { RowsProps, SettingParts } from '../kindUi';

export function SeveralRows({ content, margin, readOnly, edit }: RowsProps<'several'>) {
  return (
    <ChoiceRows
      single={false}
      content={content}
      margin={margin}
      readOnly={readOnly}
      onChoices={(make) => edit((c) => ({ ...c, choices: make(c.choices) }))}
    />
  );
}

export function SeveralSettings(parts: SettingParts) {
  return (
    <>
      <AnswersIn {...parts} layouts={layouts} /> · choose {parts.value('choose', 'How many to choose')}
    </>
  );
}
