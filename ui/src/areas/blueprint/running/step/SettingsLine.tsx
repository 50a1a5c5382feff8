import { Editable, EditableChoice } from '../../../../parts/fields/Editable';
import { points } from '../../../../parts/text/figures';
import { type Blueprint, type DrawStep, type QuestionStep, type Step, tidy, without } from '../../document';
import { Sayings, type Settings } from './Sayings';

type Asking = QuestionStep | DrawStep;
type Word = keyof Settings;

interface Props {
  step: Asking;
  blueprint: Blueprint;
  readOnly: boolean;
  onPut: (step: Step) => void;
}

const number = (typed: string) => (/^\d{1,4}([.,]\d{1,4})?$/.test(typed) ? typed.replace(',', '.') : null);

/** Marks, attempts and time at one step; what is not said here is as the question says. */
export function SettingsLine({ step, blueprint, readOnly, onPut }: Props) {
  const settings = step.settings ?? {};
  const asks = blueprint.proof.steps[step.id];
  const put = (word: Word, value: string | null) => {
    const next = value === null ? without(settings, word) : { ...settings, [word]: value };
    onPut((Object.keys(next).length > 0 ? { ...step, settings: next } : without(step, 'settings')) as Step);
  };
  const putMust = (value: string) => {
    const rules = tidy({ ...step.rules, mustAnswer: value === '' ? undefined : value === 'yes' }) as NonNullable<Asking['rules']>;
    onPut((Object.keys(rules).length > 0 ? { ...step, rules } : without(step, 'rules')) as Step);
  };
  const mustAnswer = step.rules?.mustAnswer;
  const itself =
    asks && asks.least === asks.most && 'question' in step
      ? `${asks.most} ${points(asks.most)}, as the question says`
      : 'what the question says';
  return (
    <p>
      {'draw' in step ? 'Each is worth ' : 'Worth '}
      <Editable
        label="Points here"
        value={settings.points ?? itself}
        plain={settings.points === undefined}
        width={8}
        disabled={readOnly}
        refuse={(typed) => (/says$/.test(typed) || number(typed) !== null ? null : 'a number of points; or what the question says')}
        onChange={(typed) => put('points', number(typed))}
      />
      {settings.points !== undefined && !readOnly && (
        <>
          {' '}
          <button className="act text-sm" onClick={() => put('points', null)}>
            as the question says
          </button>
        </>
      )}
      <Sayings
        settings={settings}
        otherwise="as the question says"
        readOnly={readOnly}
        onPut={put}
        more={mustAnswer === undefined ? [{ value: 'must', words: 'must be answered', act: () => putMust('yes') }] : []}
      />
      {mustAnswer !== undefined && (
        <>
          ;{' '}
          <EditableChoice
            label="Whether it may be left blank"
            value={mustAnswer ? 'yes' : 'no'}
            options={[
              { value: 'yes', words: 'must be answered' },
              { value: 'no', words: 'may be left blank' },
              { value: '', words: 'as the rules say' },
            ]}
            disabled={readOnly}
            onChange={putMust}
          />
        </>
      )}
      .
    </p>
  );
}
