import { useState } from 'react';
import { Editable, EditableChoice } from '../../../parts/fields/Editable';
import { points } from '../../../parts/text/figures';
import { type Blueprint, type DrawStep, type QuestionStep, type Step, tidy, without } from '../document';
import { duration } from '../typed';

type Asking = QuestionStep | DrawStep;
type Settings = NonNullable<Asking['settings']>;
type Word = keyof Settings;

interface Props {
  step: Asking;
  blueprint: Blueprint;
  readOnly: boolean;
  onPut: (step: Step) => void;
}

/** What can be said at a step beside its worth: in words, and as what it is typed, or picked from. */
const sayings: { word: Word; says: string; read?: (typed: string) => string | null; such?: string; words?: string[] }[] = [
  {
    word: 'attempts',
    says: 'attempts',
    read: (typed) => (/^([1-9]\d?|unlimited)$/.test(typed) ? typed : null),
    such: 'from 1 to 99, or unlimited',
  },
  {
    word: 'time',
    says: 'time for each',
    read: (typed) => (typed === 'none' ? typed : duration(typed)),
    such: 'such as 90 s or 2 min; none takes its own away',
  },
  {
    word: 'attempt costs',
    says: 'a later attempt costs',
    read: (typed) => (/^\d{1,3}([.,]\d+)?( ?%)?$/.test(typed) ? typed : null),
    such: 'points, or percent such as 50 %',
  },
  { word: 'stands', says: 'the attempt that stands is the', words: ['last', 'best'] },
  { word: 'late', says: 'out of time counts as', words: ['wrong', 'blank', 'marks'] },
  { word: 'shuffle', says: 'answers shuffled:', words: ['yes', 'no'] },
  { word: 'graded', says: 'counted:', words: ['yes', 'no'] },
];

const number = (typed: string) => (/^\d{1,4}([.,]\d{1,4})?$/.test(typed) ? typed.replace(',', '.') : null);

/** Marks, attempts and time at one step; what is not said here is as the question says. */
export function SettingsLine({ step, blueprint, readOnly, onPut }: Props) {
  /** Something that is about to be said and has no value yet. */
  const [wished, setWished] = useState<Word | null>(null);
  const settings = step.settings ?? {};
  const asks = blueprint.proof.steps[step.id];
  const put = (word: Word, value: string | null) => {
    setWished(null);
    const next = value === null ? without(settings, word) : { ...settings, [word]: value };
    onPut((Object.keys(next).length > 0 ? { ...step, settings: next } : without(step, 'settings')) as Step);
  };
  const putMust = (value: string) => {
    const rules = tidy({ ...step.rules, mustAnswer: value === '' ? undefined : value === 'yes' }) as NonNullable<Asking['rules']>;
    onPut((Object.keys(rules).length > 0 ? { ...step, rules } : without(step, 'rules')) as Step);
  };
  const mustAnswer = step.rules?.mustAnswer;
  const shown = sayings.filter(({ word }) => settings[word] !== undefined || wished === word);
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
      {shown.map(({ word, says, read, such, words }) => (
        <span key={word}>
          ; {says}{' '}
          {words ? (
            <EditableChoice
              label={says}
              value={settings[word] ?? ''}
              options={[{ value: '', words: 'as the question says' }, ...words.map((value) => ({ value, words: value }))]}
              disabled={readOnly}
              onChange={(value) => put(word, value === '' ? null : value)}
            />
          ) : (
            <Editable
              label={says}
              value={settings[word] ?? 'as the question says'}
              width={8}
              disabled={readOnly}
              refuse={(typed) => (/says$/.test(typed) || read?.(typed) !== null ? null : (such ?? ''))}
              onChange={(typed) => put(word, read?.(typed) ?? null)}
            />
          )}
          {settings[word] !== undefined && !readOnly && !words && (
            <>
              {' '}
              <button className="act text-sm" aria-label={`${says}: as the question says`} onClick={() => put(word, null)}>
                as the question says
              </button>
            </>
          )}
        </span>
      ))}
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
      {!readOnly && (
        <>
          ;{' '}
          <EditableChoice
            label="Say more here"
            value=""
            options={[
              { value: '', words: 'and here also …' },
              ...sayings.filter((one) => !shown.includes(one)).map(({ word, says }) => ({ value: word, words: says })),
              ...(mustAnswer === undefined ? [{ value: 'must', words: 'must be answered' }] : []),
            ]}
            onChange={(chosen) => (chosen === 'must' ? putMust('yes') : setWished(chosen as Word))}
          />
        </>
      )}
      .
    </p>
  );
}
