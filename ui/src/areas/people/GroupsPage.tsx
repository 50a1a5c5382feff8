import { useChanged } from '../../api/changed';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, dataOf, errorWords, type Schema } from '../../api/client';
import { keys } from '../../api/keys';
import { Confirm } from '../../parts/fields/Confirm';
import { Editable } from '../../parts/fields/Editable';
import { PageAndMargin, Row } from '../../parts/PageAndMargin';
import { count } from '../../parts/text/figures';
import { Waiting } from '../../parts/Waiting';
import { TopBar } from '../../TopBar';
import type { Account } from './session';

type Group = Schema['Groups']['groups'][number];

/** Groups of candidates, each with who is in it; assessments are opened for a group as a whole. */
export default function GroupsPage({ account }: { account: Account }) {
  const queries = useQueryClient();
  const changed = useChanged();
  const [name, setName] = useState('');
  const groups = useQuery({ queryKey: keys.groups(), queryFn: () => dataOf(api.GET('/groups')) });
  const told = {
    onSuccess: (all: Schema['Groups']) => queries.setQueryData(keys.groups(), all),
    onError: () => changed('groups'),
  };
  const make = useMutation({
    mutationFn: () => dataOf(api.POST('/groups', { body: { name } })),
    onSuccess: (all) => {
      told.onSuccess(all);
      setName('');
    },
  });
  const change = useMutation({
    mutationFn: ({ id, version, ...part }: { id: number; version: number; name?: string; members?: number[] }) =>
      dataOf(api.PUT('/groups/{id}', { params: { path: { id } }, body: { version, ...part } })),
    ...told,
  });
  const remove = useMutation({ mutationFn: (id: number) => dataOf(api.DELETE('/groups/{id}', { params: { path: { id } } })), ...told });
  if (!groups.data) return <Waiting error={groups.error} retry={() => void groups.refetch()} home={groups.error !== null} />;
  const { groups: list, candidates } = groups.data;
  const error = make.error ?? change.error ?? remove.error;
  return (
    <>
      <TopBar account={account} title="Groups" />
      <PageAndMargin label="Groups">
        <Row
          className="pt-5 pb-3"
          page={<h1 className="title">Groups of candidates</h1>}
          margin={
            <Link className="act" to="/">
              To the banks
            </Link>
          }
        />
        {list.length === 0 && (
          <Row
            page={<p className="text-soft">There is none yet. A group is a course, say: an assessment is opened for all of it at once.</p>}
          />
        )}
        {list.map((group) => (
          <Row
            key={group.id}
            line
            page={
              <div className="py-1">
                <p className="font-reading text-[17px]">
                  <Editable
                    plain
                    label="Name of the group"
                    width={20}
                    value={group.name}
                    onChange={(typed) => change.mutate({ id: group.id, version: group.version, name: typed })}
                  />
                </p>
                <Members
                  group={group}
                  candidates={candidates}
                  onChange={(members) => change.mutate({ id: group.id, version: group.version, members })}
                />
              </div>
            }
            margin={
              <>
                <p>{count(group.members.length, 'candidate')}</p>
                <Confirm
                  ask="delete"
                  act={`delete “${group.name}”`}
                  afterwards="What was opened for it can no longer be begun by who is in it."
                  pending={remove.isPending}
                  error={null}
                  onSure={() => remove.mutate(group.id)}
                />
              </>
            }
          />
        ))}
        <Row
          line
          page={
            <form
              className="flex flex-wrap items-baseline gap-3 py-1"
              onSubmit={(e) => {
                e.preventDefault();
                make.mutate();
              }}
            >
              <label>
                A new group, called{' '}
                <input className="field" required maxLength={80} value={name} onChange={(e) => setName(e.target.value)} />
              </label>
              <button className="btn" disabled={make.isPending}>
                Make this group
              </button>
            </form>
          }
        />
        {error && (
          <Row
            page={
              <p className="notice" role="alert">
                {errorWords(error)}
              </p>
            }
          />
        )}
      </PageAndMargin>
    </>
  );
}

interface MembersProps {
  group: Group;
  candidates: Schema['Groups']['candidates'];
  onChange: (members: number[]) => void;
}

/** So many are shown at once beside those who are in it; the others are found by letters of their name. */
const FEW = 24;

function Members({ group, candidates, onChange }: MembersProps) {
  const [typed, setTyped] = useState('');
  const letters = typed.trim().toLowerCase();
  const isIn = ({ id }: { id: number }) => group.members.includes(id);
  const few = candidates.length <= FEW;
  const fitting = candidates.filter((one) => !isIn(one) && (few || (letters !== '' && one.name.toLowerCase().includes(letters))));
  const shown = few ? candidates : [...candidates.filter(isIn).slice(0, letters === '' ? FEW : undefined), ...fitting.slice(0, FEW)];
  const others = candidates.filter(isIn).length - shown.filter(isIn).length;
  return (
    <fieldset className="flex flex-wrap gap-x-5 gap-y-1">
      <legend className="sr-only">Who is in {group.name}</legend>
      {candidates.length === 0 && <span className="text-soft">There are no candidates yet.</span>}
      {shown.map((candidate) => (
        <label key={candidate.id} className="flex items-center gap-1.5">
          <input
            type="checkbox"
            className="size-6"
            checked={isIn(candidate)}
            onChange={(e) =>
              onChange(e.target.checked ? [...group.members, candidate.id] : group.members.filter((id) => id !== candidate.id))
            }
          />
          {candidate.name}
        </label>
      ))}
      {others > 0 && <span className="text-soft">and {others} more</span>}
      {!few && (
        <span className="basis-full">
          <label>
            find a candidate:{' '}
            <input className="field w-44" placeholder="letters of a name" value={typed} onChange={(e) => setTyped(e.target.value)} />
          </label>
          {letters !== '' && fitting.length > FEW && <span className="text-soft"> and {fitting.length - FEW} more with these letters</span>}
          {letters !== '' && fitting.length === 0 && <span className="text-soft"> nobody else has these letters</span>}
        </span>
      )}
    </fieldset>
  );
}
