import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, dataOf } from '../../../api/client';
import { keys } from '../../../api/keys';
import { Row } from '../../../parts/PageAndMargin';
import { Waiting } from '../../../parts/Waiting';
import { TopBar } from '../../../TopBar';
import type { Account } from '../../people/session';
import { Change } from '../history/Changes';
import { SettingsSheet } from './SettingsSheet';

/** What the organisation sets for all its banks; whoever keeps the accounts changes it. */
export default function HouseRulesPage({ account }: { account: Account }) {
  const query = useQuery({ queryKey: keys.houseRules(), queryFn: () => dataOf(api.GET('/house-rules')), staleTime: 0 });
  const [undone, setUndone] = useState(0);
  if (!query.data) return <Waiting error={query.error} retry={() => void query.refetch()} home={query.error !== null} />;
  const readOnly = account.role !== 'administrator';
  const undo = async (id: number) => {
    await dataOf(api.POST('/house-rules/changes/{id}/undo', { params: { path: { id } } }));
    await query.refetch();
    // The sheet has what it was opened with.
    setUndone((times) => times + 1);
  };
  return (
    <>
      <TopBar account={account} title="House rules" />
      <SettingsSheet
        key={undone}
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
        below={<Changed version={query.data.version} may={!readOnly} undo={undo} />}
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

/** What was changed of them by whom, newest first. */
function Changed({ version, may, undo }: { version: number; may: boolean; undo: (id: number) => Promise<void> }) {
  const changes = useQuery({ queryKey: keys.houseChanges(version), queryFn: () => dataOf(api.GET('/house-rules/changes')), staleTime: 0 });
  const list = changes.data?.changes ?? [];
  if (list.length === 0) return null;
  return (
    <section aria-label="What was changed of the house rules" className="contents">
      <Row className="pt-5 pb-2" page={<h2 className="head">What was changed</h2>} />
      {list.map((change) => (
        <Change key={change.id} change={change} may={may} undo={() => undo(change.id)} />
      ))}
    </section>
  );
}
