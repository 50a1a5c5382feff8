import { useQuery } from '@tanstack/react-query';
import { blueprintsQuery } from '../../../api/queries';
import { Editable, EditableChoice } from '../../../parts/fields/Editable';
import { dayOf, moreFilters, type MoreFilter, moreNames } from './filter';

const choices: Partial<Record<MoreFilter, { value: string; words: string }[]>> = {
  difficulty: ['easy', 'medium', 'hard', 'none'].map((value) => ({ value, words: value === 'none' ? 'no difficulty said' : value })),
  whole: [
    { value: 'no', words: 'not whole yet' },
    { value: 'yes', words: 'whole' },
  ],
  comments: [{ value: 'open', words: 'with open comments' }],
  waiting: [{ value: 'me', words: 'waiting for me' }],
  notes: [{ value: 'yes', words: 'with notes of the proofreader' }],
};

/** What the list is narrowed by besides: added when it is wanted, and let go. */
export function MoreFilters(props: { bank: number; params: URLSearchParams; set: (name: string, value: string | null) => void }) {
  const { bank, params, set } = props;
  const active = moreNames.filter((name) => params.has(name));
  return (
    <>
      {active.map((name) => (
        <span key={name}>
          {' · '}
          <OneFilter bank={bank} name={name} value={params.get(name) ?? ''} set={set} />
        </span>
      ))}
      {' · '}
      <EditableChoice
        label="Narrow it further"
        value=""
        options={[
          { value: '', words: 'and also …' },
          ...moreNames.filter((name) => !active.includes(name)).map((name) => ({ value: name, words: moreFilters[name].words })),
        ]}
        onChange={(name) => name !== '' && set(name, moreFilters[name].first)}
      />
    </>
  );
}

function OneFilter(props: { bank: number; name: MoreFilter; value: string; set: (name: string, value: string | null) => void }) {
  const { bank, name, value, set } = props;
  const put = (next: string) => set(name, next === 'any' ? null : next);
  const picked = choices[name];
  if (name === 'assessment') return <Assessment bank={bank} value={value} put={put} />;
  if (picked) {
    return (
      <EditableChoice
        label={moreFilters[name].words}
        value={value}
        options={[{ value: 'any', words: 'no matter' }, ...picked]}
        onChange={put}
      />
    );
  }
  return (
    <>
      {moreFilters[name].words}{' '}
      <Editable
        plain
        label={moreFilters[name].words}
        width={12}
        value={value === '' ? '…' : value}
        refuse={(typed) => (name === 'since' && dayOf(typed, new Date()) === null ? 'a day, like 2026-05-03, today or 7 days' : null)}
        onChange={(typed) => put(name === 'since' ? (dayOf(typed, new Date()) ?? '') : typed)}
      />{' '}
      <button className="act text-sm" onClick={() => set(name, null)} aria-label={`No matter: ${moreFilters[name].words}`}>
        no matter
      </button>
    </>
  );
}

function Assessment({ bank, value, put }: { bank: number; value: string; put: (value: string) => void }) {
  const blueprints = useQuery(blueprintsQuery(bank));
  return (
    <>
      held by{' '}
      <EditableChoice
        label="Assessment"
        value={value}
        options={[
          { value: 'any', words: 'no matter' },
          { value: '', words: 'which assessment' },
          ...(blueprints.data?.blueprints ?? []).map((b) => ({ value: String(b.id), words: b.title })),
        ]}
        onChange={put}
      />
    </>
  );
}
