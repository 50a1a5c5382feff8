import { keys } from '../../../api/keys';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { useParams } from 'react-router';
import { api, errorWords, type Schema, dataOf } from '../../../api/client';
import { figure } from '../../../parts/text/figures';
import { Row, PageAndMargin } from '../../../parts/PageAndMargin';
import { useAutosave } from '../../../parts/hooks/useAutosave';
import { EditableChoice, Editable } from '../../../parts/fields/Editable';
import { Waiting } from '../../../parts/Waiting';
import { isOver, JobProgress, useJob } from '../../background/JobProgress';
import { type Account, mayEdit } from '../../people/session';
import type { Kind } from '../../../kinds/content';
import { kinds } from '../../../kinds/facts.gen';
import { WhereForward } from '../../../parts/WhereForward';

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

type BankSettings = Schema['BankSettings'];
type Edited = Omit<BankSettings, 'version' | 'takes' | 'house' | 'following'>;
const editedOf = ({ settings, byKind }: BankSettings): Edited => ({ settings, byKind });

/** What counts for the bank's questions where they set nothing themselves. */
export default function BankSettingsPage({ account }: { account: Account }) {
  const bank = Number(useParams().bank);
  const query = useQuery({
    queryKey: keys.bankSettings(bank),
    queryFn: () => dataOf(api.GET('/banks/{id}/settings', { params: { path: { id: bank } } })),
    staleTime: 0,
  });
  if (!query.data) return <Waiting error={query.error} retry={() => void query.refetch()} />;
  return <SettingsSheet key={bank} bank={bank} stored={query.data} readOnly={!mayEdit(account)} />;
}

function SettingsSheet({ bank, stored, readOnly }: { bank: number; stored: BankSettings; readOnly: boolean }) {
  const queries = useQueryClient();
  const [kind, setKind] = useState<Kind | ''>('');
  const versionRef = useRef(stored.version);
  const [first] = useState(stored.version);
  const again = () => {
    for (const key of [keys.questions, keys.blueprints, keys.proofreading]) void queries.invalidateQueries({ queryKey: key() });
  };
  const saving = useAutosave<Edited, BankSettings>({
    thing: `bank-settings:${bank}`,
    shelf: `zetema:bank-settings:${bank}`,
    initial: editedOf(stored),
    versionRef,
    save: (body, over, keepalive) =>
      dataOf(api.PUT('/banks/{id}/settings', { params: { path: { id: bank } }, body: { ...body, version: over }, keepalive })),
    versionOf: (saved) => saved.version,
    valueOf: editedOf,
    onSaved: (saved) => {
      // As the server writes it: "2,5" becomes "2, 5".
      saving.adopt(saved);
      queries.setQueryData(keys.bankSettings(bank), saved);
      again();
    },
    delay: 0,
  });
  const following = useJob(stored.following, () => {
    again();
    void queries.invalidateQueries({ queryKey: keys.bankSettings(bank) });
  });
  const { house } = stored;
  const { settings: every, byKind } = saving.value;
  const settings = kind === '' ? every : (byKind[kind] ?? {});
  const put = (here: Record<string, string>) =>
    saving.put(kind === '' ? { settings: here, byKind } : { settings: every, byKind: { ...byKind, [kind]: here } });
  const shown = Object.keys(meaning).filter((word) => kind === '' || stored.takes[kind]?.includes(word));
  const back = (word: string) => put(Object.fromEntries(Object.entries(settings).filter(([key]) => key !== word)));
  return (
    <PageAndMargin label="Settings of the bank">
      <Row
        className="pt-5 pb-3"
        page={
          <h1>
            <span className="title">What counts where a question sets nothing itself</span>{' '}
            <span className="path ml-2">
              for{' '}
              <EditableChoice
                label="For which questions"
                value={kind}
                options={[
                  { value: '', words: 'every question' },
                  ...(Object.keys(kinds) as Kind[]).map((k) => ({ value: k, words: `every ${k}` })),
                ]}
                onChange={(k) => setKind(k)}
              />
            </span>
          </h1>
        }
        margin={
          saving.error ? (
            <div className="notice" role="alert">
              <p>{errorWords(saving.error)}</p>
              {saving.theirs && (
                <button className="act" onClick={saving.saveMine}>
                  Save mine over it
                </button>
              )}{' '}
              <button className="act" onClick={() => saving.adopt(saving.theirs ?? stored)}>
                {saving.theirs ? 'Take the newer ones' : 'Back to what is set'}
              </button>
            </div>
          ) : following && !isOver(following) ? (
            <JobProgress job={following} doing="saved; worths follow" />
          ) : (
            <p role="status">
              {saving.isSaving
                ? 'saving …'
                : stored.version > first
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
                <Editable
                  label={meaning[word] ?? word}
                  width={12}
                  value={value === '' ? (word === 'time' ? 'no limit' : 'as the kind has it') : figure(value)}
                  disabled={readOnly || saving.isSaving}
                  onChange={(typed) => put({ ...settings, [word]: typed.replace('−', '-') })}
                />{' '}
                {['time', 'late'].includes(word) && <WhereForward />}
              </p>
            }
            margin={
              word in settings ? (
                <p>
                  set by the bank{kind !== '' && ` for every ${kind}`}{' '}
                  {!readOnly && (
                    <button
                      className="act"
                      disabled={saving.isSaving}
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
    </PageAndMargin>
  );
}
