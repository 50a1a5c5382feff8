import { Link } from 'react-router';
import { errorWords } from '../../../api/client';
import { Editable, EditableChoice } from '../../../parts/fields/Editable';
import { Moment } from '../../../parts/fields/Moment';
import { count } from '../../../parts/text/figures';
import { AccessLink } from './AccessLink';
import { FindCandidate } from './FindCandidate';
import { type Admission, useAdmission } from './useAdmission';

const whole = (most: number) => (typed: string) =>
  /^\d{1,3}$/.test(typed) && Number(typed) <= most ? null : `a whole number from 0 to ${most}`;

/** Who may sit the assessment, from when until when, and who has more time or more sittings. It holds for every edition, at once. */
export function WhoMaySit({ blueprint }: { blueprint: number }) {
  const { admission, groups, candidates, error, put } = useAdmission(blueprint);
  if (!admission) return error ? <p className="text-wrong">{errorWords(error)}</p> : null;
  const { everybody, people } = admission;
  const putPeople = (next: Admission['people']) => put({ people: next });
  const known = new Map(candidates.map(({ id, name }) => [id, name]));
  const others = candidates.filter(({ id }) => !people.some(({ account }) => account === id));
  const closedGroups = groups.filter(({ id }) => !admission.groups.includes(id));
  return (
    <section className="space-y-1" aria-label="Who may sit it">
      <h2 className="head">who may sit it</h2>
      <p>
        <EditableChoice
          label="Who may sit it"
          value={everybody ? 'all' : 'some'}
          options={[
            { value: 'all', words: 'every candidate' },
            { value: 'some', words: 'only who is named here' },
          ]}
          onChange={(value) => put({ everybody: value === 'all' })}
        />
        {everybody && people.length === 0 && ', all alike'}
      </p>
      <p>
        open from <Moment label="open from" none="now on" value={admission.opens} onChange={(opens) => put({ opens })} />
      </p>
      <p>
        until <Moment label="until" none="any time" value={admission.closes} onChange={(closes) => put({ closes })} />
      </p>
      {!everybody && (
        <>
          {admission.groups.map((id) => {
            const group = groups.find((one) => one.id === id);
            return (
              <p key={id}>
                {group ? `${group.name}, ${count(group.members.length, 'candidate')}` : 'a group that is gone'}{' '}
                <button
                  className="act"
                  aria-label={`Take ${group?.name ?? 'the group'} out`}
                  onClick={() => put({ groups: admission.groups.filter((other) => other !== id) })}
                >
                  take out
                </button>
              </p>
            );
          })}
          <p>
            {closedGroups.length > 0 && (
              <EditableChoice
                label="Admit a group"
                value=""
                shown="admit a group …"
                options={closedGroups.map(({ id, name }) => ({ value: String(id), words: name }))}
                onChange={(id) => put({ groups: [...admission.groups, Number(id)] })}
              />
            )}{' '}
            <Link className="act" to="/groups">
              groups
            </Link>
          </p>
        </>
      )}
      {people.map((one, i) => {
        const name = known.get(one.account) ?? 'somebody';
        const putOne = (part: Partial<typeof one>) => putPeople(people.with(i, { ...one, ...part }));
        return (
          <p key={one.account}>
            {name}
            {one.byCode && ' (by the code)'}:{' '}
            <Editable
              label={`Percent of time more for ${name}`}
              value={String(one.extraTime)}
              width={3}
              refuse={whole(400)}
              onChange={(typed) => putOne({ extraTime: Number(typed) })}
            />{' '}
            % more time,{' '}
            <Editable
              label={`Sittings more for ${name}`}
              value={String(one.sittings)}
              width={3}
              refuse={whole(99)}
              onChange={(typed) => putOne({ sittings: Number(typed) })}
            />{' '}
            {one.sittings === 1 ? 'sitting' : 'sittings'} more{' '}
            <button className="act" aria-label={`Take ${name} out`} onClick={() => putPeople(people.toSpliced(i, 1))}>
              take out
            </button>
          </p>
        );
      })}
      {others.length > 0 && (
        <FindCandidate
          label={everybody ? 'more time or sittings for' : 'admit'}
          candidates={others}
          onFound={(account) => putPeople([...people, { account, extraTime: 0, sittings: 0, byCode: false }])}
        />
      )}
      {!everybody && <AccessLink code={admission.code} onAsk={(code) => put({ code })} />}
      {error && (
        <p className="notice" role="alert">
          {errorWords(error)}
        </p>
      )}
    </section>
  );
}
