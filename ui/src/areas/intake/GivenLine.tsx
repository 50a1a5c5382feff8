import { Editable } from '../../parts/fields/Editable';
import { ObjectiveField } from '../bank/question/ObjectiveField';
import type { Given } from './brought';

/** What the questions are given as they are taken in, in a sentence. */
export function GivenLine({ bank, given, onChange }: { bank: number; given: Given; onChange: (given: Given) => void }) {
  const { objective, tags, settings } = given;
  return (
    <p className="mt-2">
      Questions that say none themselves go to{' '}
      <ObjectiveField bank={bank} value={objective} readOnly={false} onChange={(path) => onChange({ ...given, objective: path })} /> and are
      worth{' '}
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
      .
    </p>
  );
}
