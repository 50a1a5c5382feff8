import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useParams } from 'react-router';
import { api, inWords, take } from '../../api/client';
import { figure } from '../../parts/figures';
import { Row, Sheet } from '../../parts/Sheet';
import { Pick, Value } from '../../parts/Value';
import { Waiting } from '../../parts/Waiting';
import { isOver, JobProgress, useJob } from '../background/JobProgress';
import { type Account, mayEdit } from '../people/session';
import { kinds, type Kind } from './kinds';
import { NoEffectYet } from './NoEffectYet';

const meaning: Record<string, string> = {
  points: 'a question is worth',
  marking: 'marking: whole, or parts',
  'wrong part costs': 'a wrong part costs, in right parts',
  'wrong costs': 'wrong costs',
  'blank costs': 'blank costs',
  attempts: 'attempts',
  'attempt costs': 'a later attempt costs',
  stands: 'the attempt that stands: last, or best',
  'hint costs': 'a hint costs',
  floor: 'a mark is never below',
  time: 'time for a question',
  late: 'out of time counts as: wrong, blank, or marks',
  shuffle: 'answers are shuffled: yes, or no',
  ignore: 'typed answers ignore',
  typos: 'typos allowed',
};

/** What counts for the bank's questions where they set nothing themselves. */
export default function BankSettingsPage({ account }: { account: Account }) {
  const bank = Number(useParams().bank);
  const queries = useQueryClient();
  const query = useQuery({
    queryKey: ['bank-settings', bank],
    queryFn: () => take(api.GET('/banks/{id}/settings', { params: { path: { id: bank } } })),
    staleTime: 0,
  });
  const [kind, setKind] = useState<Kind | ''>('');
  const save = useMutation({
    mutationFn: (here: Record<string, string>) => {
      const { version = 0, settings: all = {}, byKind = {} } = query.data ?? {};
      const body = kind === '' ? { version, settings: here, byKind } : { version, settings: all, byKind: { ...byKind, [kind]: here } };
      return take(api.PUT('/banks/{id}/settings', { params: { path: { id: bank } }, body }));
    },
    onSuccess: (saved) => {
      queries.setQueryData(['bank-settings', bank], saved);
      for (const key of ['questions', 'blueprints', 'proofreading']) void queries.invalidateQueries({ queryKey: [key] });
    },
  });
  const following = useJob(query.data?.following, () => {
    for (const key of ['questions', 'blueprints', 'proofreading', 'bank-settings']) void queries.invalidateQueries({ queryKey: [key] });
  });
  if (!query.data) return <Waiting error={query.error} retry={() => void query.refetch()} />;
  const { house } = query.data;
  const every = query.data.settings;
  const settings = kind === '' ? every : (query.data.byKind[kind] ?? {});
  const shown = Object.keys(meaning).filter((word) => kind === '' || query.data.takes[kind]?.includes(word));
  const readOnly = !mayEdit(account);
  const back = (word: string) => save.mutate(Object.fromEntries(Object.entries(settings).filter(([key]) => key !== word)));
  return (
    <Sheet label="Settings of the bank">
      <Row
        className="pt-5 pb-3"
        page={
          <h1>
            <span className="title">What counts where a question sets nothing itself</span>{' '}
            <span className="path ml-2">
              for{' '}
              <Pick
                label="For which questions"
                value={kind}
                options={[{ value: '', words: 'every question' }, ...kinds.map((k) => ({ value: k.kind, words: `every ${k.kind}` }))]}
                onChange={(k) => setKind(k)}
              />
            </span>
          </h1>
        }
        margin={
          save.error ? (
            <p className="notice" role="alert">
              {inWords(save.error)}
            </p>
          ) : following && !isOver(following) ? (
            <JobProgress job={following} doing="saved; worths follow" />
          ) : (
            <p role="status">
              {save.isPending
                ? 'saving …'
                : save.isSuccess
                  ? 'saved; worths were worked out anew'
                  : 'Each question still goes before these.'}
            </p>
          )
        }
      />
      {shown.map((word) => {
        const general = kind === '' || (word === 'shuffle' && kind === 'claim') ? undefined : every[word];
        const value = settings[word] ?? general ?? house[word] ?? '';
        return (
          <Row
            key={word}
            line
            page={
              <p>
                {meaning[word]}{' '}
                <Value
                  label={meaning[word] ?? word}
                  width={12}
                  value={value === '' ? (word === 'time' ? 'no limit' : 'as the kind has it') : figure(value)}
                  disabled={readOnly || save.isPending}
                  onChange={(typed) => save.mutate({ ...settings, [word]: typed.replace('−', '-') })}
                />{' '}
                {['time', 'late'].includes(word) && <NoEffectYet />}
              </p>
            }
            margin={
              word in settings ? (
                <p>
                  set by the bank{kind !== '' && ` for every ${kind}`}{' '}
                  {!readOnly && (
                    <button
                      className="act"
                      disabled={save.isPending}
                      aria-label={`Set ${word} back to the house rules`}
                      onClick={() => back(word)}
                    >
                      set back to {general ?? (house[word] === '' ? 'none' : house[word])}
                    </button>
                  )}
                </p>
              ) : (
                <p className="text-quiet">{kind !== '' && general !== undefined ? 'set by the bank for every question' : 'house'}</p>
              )
            }
          />
        );
      })}
    </Sheet>
  );
}
