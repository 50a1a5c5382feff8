import { Editable, EditableChoice } from '../../../parts/fields/Editable';
import { figure } from '../../../parts/text/figures';
import type { Sentence } from './sentences';

interface Props {
  sentence: Sentence;
  value: string;
  disabled: boolean;
  onChange: (value: string) => void;
}

/** The value within a setting's sentence: chosen where there are a few, typed where it is a number, a time, a text. */
export function SettingValue({ sentence, value, disabled, onChange }: Props) {
  const { before, values, none = 'none', isText } = sentence;
  if (values) {
    const known = values.some((one) => one.value === value);
    return (
      <EditableChoice
        label={before}
        value={value}
        options={known ? values : [{ value, words: value === '' ? none : value }, ...values]}
        disabled={disabled}
        onChange={onChange}
      />
    );
  }
  return (
    <Editable
      label={before}
      plain={isText === true || !/\d/.test(value)}
      width={isText ? 40 : 10}
      value={value === '' ? none : figure(value)}
      disabled={disabled}
      onChange={(typed) => onChange(typed === none ? 'none' : typed.replace('−', '-'))}
    />
  );
}
