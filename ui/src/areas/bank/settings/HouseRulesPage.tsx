import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { api, dataOf } from '../../../api/client';
import { keys } from '../../../api/keys';
import { Waiting } from '../../../parts/Waiting';
import { TopBar } from '../../../TopBar';
import type { Account } from '../../people/session';
import { SettingsSheet } from './SettingsSheet';

/** What the organisation sets for all its banks; whoever keeps the accounts changes it. */
export default function HouseRulesPage({ account }: { account: Account }) {
  const query = useQuery({ queryKey: keys.houseRules(), queryFn: () => dataOf(api.GET('/house-rules')), staleTime: 0 });
  if (!query.data) return <Waiting error={query.error} retry={() => void query.refetch()} home={query.error !== null} />;
  const readOnly = account.role !== 'administrator';
  return (
    <>
      <TopBar account={account} title="House rules" />
      <SettingsSheet
        place={{
          thing: 'house-rules',
          query: keys.houseRules(),
          save: (body, keepalive) => dataOf(api.PUT('/house-rules', { body, keepalive })),
        }}
        stored={query.data}
        readOnly={readOnly}
        heading="What counts in all banks"
        setBy="the house rules"
        beyond="as shipped"
        follows={() => 'Questions of all banks that say nothing themselves, cleared ones too, will follow, unless their bank sets it.'}
        further={
          <p>
            {readOnly && <span className="text-quiet">Whoever keeps the accounts changes them. </span>}
            <Link className="act" to="/banks">
              To the banks
            </Link>
          </p>
        }
      />
    </>
  );
}
