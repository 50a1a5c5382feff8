import { useState } from 'react';
import { settings as known } from '../../kinds/facts.gen';
import { Editable, EditableChoice } from '../../parts/fields/Editable';
import { asTheBank, saying, wishes } from '../bank/list/many/wanted';
import { WishLine } from '../bank/list/many/WishLine';
import { ObjectiveField } from '../bank/question/ObjectiveField';
import type { Given, SourceFormat } from './brought';

/** Settings that a batch may be given beside points. */
const further = wishes.filter((what) => what in known && what !== 'points');

/** Kinds that questions can be asked as, where they only look like another. */
const asked = [
  { value: '', words: 'what they look like' },
  { value: 'one', words: 'one of several' },
  { value: 'several', words: 'several of several' },
  { value: 'order', words: 'to be put in order' },
  { value: 'text', words: 'typed words' },
  { value: 'number', words: 'a typed number' },
] as const;

interface Props {
  bank: number;
  given: Given;
  /** what says no kinds itself may be asked as another than it looks like */
  format: SourceFormat;
  onChange: (given: Given) => void;
}

/** What the questions are given as they are taken in, in a sentence. */
export function GivenLine({ bank, given, format, onChange }: Props) {
  const { objective, tags, settings } = given;
  /** One that was chosen and has no value yet. */
  const [wished, setWished] = useState('');
  const put = (what: string, value: string) => {
    const others = Object.fromEntries(Object.entries(settings).filter(([word]) => word !== what));
    setWished('');
    onChange({ ...given, settings: value === '' || value === asTheBank ? others : { ...others, [what]: value } });
  };
  const shown = [...further.filter((what) => settings[what] !== undefined), ...(wished === '' ? [] : [wished])];
  return (
    <>
      <p className="mt-2">
        Questions that say none themselves go to{' '}
        <ObjectiveField bank={bank} value={objective} readOnly={false} onChange={(path) => onChange({ ...given, objective: path })} /> and
        are worth{' '}
        <Editable
          label="Points of those that say none"
          plain={settings.points === undefined}
          value={settings.points ?? 'what the bank says'}
          refuse={(typed) => (/^\d{1,4}([.,]\d{1,2})?$/.test(typed) || typed === 'what the bank says' ? null : 'a number of points')}
          onChange={(typed) => {
            const others = Object.fromEntries(Object.entries(settings).filter(([word]) => word !== 'points'));
            onChange({ ...given, settings: /^\d/.test(typed) ? { ...others, points: typed.replace(',', '.') } : others });
          }}
        />
        {format !== 'text' && (
          <>
            ; where no kind is said they are asked as{' '}
            <EditableChoice
              label="Asked as"
              value={given.kind ?? ''}
              options={asked}
              onChange={(kind) => onChange({ ...given, kind: kind === '' ? null : kind })}
            />
          </>
        )}
        ; all get the tags{' '}
        <Editable
          label="Tags of all"
          plain
          width={16}
          value={tags.length === 0 ? 'none' : tags.join(', ')}
          onChange={(typed) =>
            onChange({
              ...given,
              tags:
                typed === 'none'
                  ? []
                  : typed
                      .split(',')
                      .map((tag) => tag.trim())
                      .filter((tag) => tag !== ''),
            })
          }
        />
        ,{' '}
        <EditableChoice
          label="Give them also"
          value=""
          options={[
            { value: '', words: 'and also …' },
            ...further.filter((what) => !shown.includes(what)).map((what) => ({ value: what, words: saying(what) })),
          ]}
          onChange={setWished}
        />
      </p>
      {shown.map((what) => (
        <WishLine
          key={what}
          bank={bank}
          wish={{ what, value: settings[what] ?? '' }}
          onChange={({ value }) => put(what, value)}
          onLeave={() => put(what, '')}
        />
      ))}
    </>
  );
}
