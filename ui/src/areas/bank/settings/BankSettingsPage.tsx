import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { api, dataOf, type Schema } from '../../../api/client';
import { keys } from '../../../api/keys';
import type { Kind } from '../../../kinds/content';
import { allKinds } from '../../../kinds/facts';
import { count, grouped } from '../../../parts/text/figures';
import { Waiting } from '../../../parts/Waiting';
import { type Account, mayEdit } from '../../people/session';
import { SettingsSheet } from './SettingsSheet';
import { Specimen } from './Specimen';

/** What counts for the bank's questions where they say nothing themselves, and those that say something else. */
export default function BankSettingsPage({ account }: { account: Account }) {
  const bank = Number(useParams().bank);
  const path = { params: { path: { id: bank } } };
  const query = useQuery({ queryKey: keys.bankSettings(bank), queryFn: () => dataOf(api.GET('/banks/{id}/settings', path)), staleTime: 0 });
  const differing = useQuery({
    queryKey: keys.differing(bank),
    queryFn: () => dataOf(api.GET('/banks/{id}/settings/differing', path)),
    staleTime: 0,
  }).data;
  if (!query.data) return <Waiting error={query.error} retry={() => void query.refetch()} />;
  return (
    <SettingsSheet
      key={bank}
      place={{
        thing: `bank-settings:${bank}`,
        query: keys.bankSettings(bank),
        save: (body, keepalive) => dataOf(api.PUT('/banks/{id}/settings', { ...path, body, keepalive })),
      }}
      stored={query.data}
      readOnly={!mayEdit(account)}
      heading="What counts where a question says nothing itself"
      setBy="the bank"
      beyond="house"
      further={
        <p>
          <Link className="act" to="/house-rules">
            House rules of all banks
          </Link>{' '}
          <Link className="act" to={`/banks/${bank}/history?what=settings`}>
            What was changed
          </Link>
        </p>
      }
      standing={(kind, word, reached) =>
        differing && <Standing bank={bank} differing={differing} kind={kind} word={word} reached={reached} />
      }
      follows={(word, reached) => {
        if (!differing) return 'Cleared questions that say nothing themselves will follow.';
        const cleared = sum(differing.cleared, reached, word);
        return cleared === 0
          ? ''
          : `${count(cleared, 'cleared question')} ${cleared === 1 ? 'says nothing itself' : 'say nothing themselves'} and will follow.`;
      }}
      specimen={(kind) => <Specimen specimen={differing?.specimen[kind === '' ? 'one' : kind]} />}
    />
  );
}

const sum = (byKind: Record<string, Record<string, number>>, reached: Kind[], word: string) =>
  reached.reduce((all, k) => all + (byKind[k]?.[word] ?? 0), 0);

interface StandingProps {
  bank: number;
  differing: Schema['Differing'];
  kind: Kind | '';
  word: string;
  reached: Kind[];
}

/** How many questions follow a setting, and the way to those that say something else. */
function Standing({ bank, differing, kind, word, reached }: StandingProps) {
  const differ = sum(differing.differ, kind === '' ? allKinds : [kind], word);
  const follow = sum(differing.follow, reached, word);
  const address = new URLSearchParams({ ...(kind === '' ? {} : { kind }), differs: word });
  return (
    <span className="text-quiet">
      {' · '}
      <span title="questions that say nothing themselves">{grouped(follow)} follow it</span>
      {differ > 0 && (
        <>
          {' · '}
          <Link className="act" to={`/banks/${bank}/questions?${address.toString()}`}>
            {count(differ, 'question')} {differ === 1 ? 'differs' : 'differ'}
          </Link>
        </>
      )}
    </span>
  );
}
