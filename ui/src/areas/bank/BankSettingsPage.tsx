import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useParams } from 'react-router';
import { api, inWords, take } from '../../api/client';
import { figure } from '../../parts/figures';
import { Row, Sheet } from '../../parts/Sheet';
import { Value } from '../../parts/Value';
import { Waiting } from '../../parts/Waiting';
import { type Account, mayEdit } from '../people/session';
import { plain } from './rows/rows';

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
  const save = useMutation({
    mutationFn: (settings: Record<string, string>) =>
      take(api.PUT('/banks/{id}/settings', { params: { path: { id: bank } }, body: { version: query.data?.version ?? 0, settings } })),
    onSuccess: (saved) => {
      queries.setQueryData(['bank-settings', bank], saved);
      for (const key of ['questions', 'blueprints', 'proofreading']) void queries.invalidateQueries({ queryKey: [key] });
    },
  });
  if (!query.data) return <Waiting error={query.error} retry={() => void query.refetch()} />;
  const { settings, house } = query.data;
  const readOnly = !mayEdit(account);
  const back = (word: string) => save.mutate(Object.fromEntries(Object.entries(settings).filter(([key]) => key !== word)));
  return (
    <Sheet label="Settings of the bank">
      <Row
        className="pt-5 pb-3"
        page={<h1 className="title">What counts where a question sets nothing itself</h1>}
        margin={
          save.error ? (
            <p className="notice" role="alert">
              {inWords(save.error)}
            </p>
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
      {Object.keys(meaning).map((word) => {
        const value = settings[word] ?? house[word] ?? '';
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
                  onChange={(typed) => save.mutate({ ...settings, [word]: plain(typed) })}
                />
              </p>
            }
            margin={
              word in settings ? (
                <p>
                  set by the bank{' '}
                  {!readOnly && (
                    <button
                      className="act"
                      disabled={save.isPending}
                      aria-label={`Set ${word} back to the house rules`}
                      onClick={() => back(word)}
                    >
                      set back to {house[word] === '' ? 'none' : house[word]}
                    </button>
                  )}
                </p>
              ) : (
                <p className="text-quiet">house</p>
              )
            }
          />
        );
      })}
    </Sheet>
  );
}
