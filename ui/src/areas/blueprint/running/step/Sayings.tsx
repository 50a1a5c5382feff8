import { useState } from 'react';
import { Editable, EditableChoice } from '../../../../parts/fields/Editable';
import { type QuestionStep, without } from '../../document';
import { duration } from '../../typed';

export type Settings = NonNullable<QuestionStep['settings']>;
type Word = keyof Settings;

/** What can be said of questions beside their worth: in words, and as what it is typed, or picked from. */
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

interface Props {
  settings: Settings;
  /** what holds where nothing is said here */
  otherwise: string;
  /** to whom it is said, where several such sentences stand on a page */
  of?: string;
  readOnly: boolean;
  onPut: (word: Word, value: string | null) => void;
  /** more that can be said here, by what is picked */
  more?: { value: string; words: string; act: () => void }[];
}

/** Attempts, time and what attempts cost, each said only where it differs; the rest is picked from a list. */
export function Sayings({ settings, otherwise, of = '', readOnly, onPut, more = [] }: Props) {
  /** Something that is about to be said and has no value yet. */
  const [wished, setWished] = useState<Word | null>(null);
  const put = (word: Word, value: string | null) => {
    setWished(null);
    onPut(word, value);
  };
  const shown = sayings.filter(({ word }) => settings[word] !== undefined || wished === word);
  return (
    <>
      {shown.map(({ word, says, read, such, words }) => (
        <span key={word}>
          ; {says}{' '}
          {words ? (
            <EditableChoice
              label={of + says}
              value={settings[word] ?? ''}
              options={[{ value: '', words: otherwise }, ...words.map((value) => ({ value, words: value }))]}
              disabled={readOnly}
              onChange={(value) => put(word, value === '' ? null : value)}
            />
          ) : (
            <Editable
              label={of + says}
              value={settings[word] ?? otherwise}
              width={8}
              disabled={readOnly}
              refuse={(typed) => (typed === otherwise || read?.(typed) !== null ? null : (such ?? ''))}
              onChange={(typed) => put(word, read?.(typed) ?? null)}
            />
          )}
          {settings[word] !== undefined && !readOnly && !words && (
            <>
              {' '}
              <button className="act text-sm" aria-label={`${of}${says}: ${otherwise}`} onClick={() => put(word, null)}>
                {otherwise}
              </button>
            </>
          )}
        </span>
      ))}
      {!readOnly && (
        <>
          ;{' '}
          <EditableChoice
            label={`${of}Say more here`}
            value=""
            options={[
              { value: '', words: 'and here also …' },
              ...sayings.filter((one) => !shown.includes(one)).map(({ word, says }) => ({ value: word, words: says })),
              ...more.map(({ value, words }) => ({ value, words })),
            ]}
            onChange={(chosen) => {
              const another = more.find(({ value }) => value === chosen);
              if (another) another.act();
              else if (chosen !== '') setWished(chosen as Word);
            }}
          />
        </>
      )}
    </>
  );
}

/** What is said of each question of a section, or of the whole. */
export function EachQuestion({
  settings = {},
  of,
  readOnly,
  onPut,
}: {
  settings: Settings | undefined;
  of: string;
  readOnly: boolean;
  onPut: (settings: Settings | undefined) => void;
}) {
  if (readOnly && Object.keys(settings).length === 0) return null;
  const put = (word: Word, value: string | null) => {
    const next: Settings = value === null ? without(settings, word) : { ...settings, [word]: value };
    onPut(Object.keys(next).length > 0 ? next : undefined);
  };
  return (
    <p>
      where a question says nothing itself
      <Sayings settings={settings} otherwise="nothing here" of={of} readOnly={readOnly} onPut={put} />.
    </p>
  );
}
