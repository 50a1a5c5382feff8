import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Link, NavLink } from 'react-router';
import { api, dataOf } from './api/client';
import { FindOrDo } from './areas/bank/find/FindOrDo';
import type { Account } from './areas/people/session';

/** The bar over everything: the bank, its areas, and who is logged in. */
export function TopBar({ account, bank, title }: { account: Account; bank?: { id: number; name: string }; title?: string }) {
  const queries = useQueryClient();
  const logOut = useMutation({
    mutationFn: () => dataOf(api.POST('/log-out')),
    onSettled: () => {
      queries.clear();
      window.location.assign('/');
    },
  });
  const areas: [string, string][] = [
    ['Board', ''],
    ['Questions', '/questions'],
    ['Pages', '/pages'],
    ...(account.role === 'reviewer' ? [] : ([['Intake', '/intake']] as [string, string][])),
    ['Blueprints', '/blueprints'],
  ];
  return (
    <header className="top">
      {bank ? (
        <Link className="bank" to="/banks" title="All banks">
          {bank.name}
        </Link>
      ) : (
        <span className="bank">{title ?? 'Zetema'}</span>
      )}
      {bank && (
        <nav aria-label="Areas of the bank">
          {areas.map(([name, path]) => (
            <NavLink key={name} to={`/banks/${bank.id}${path}`} end={path === ''}>
              {name}
            </NavLink>
          ))}
        </nav>
      )}
      <span className="ml-auto text-sm opacity-90">
        {bank && <FindOrDo bank={bank.id} account={account} />}
        {account.role === 'administrator' && (
          <>
            <Link className="text-inherit! underline underline-offset-3" to="/people">
              People
            </Link>{' '}
            &ensp;
            <Link className="text-inherit! underline underline-offset-3" to="/house-rules">
              House rules
            </Link>{' '}
            &ensp;
          </>
        )}
        {account.name} &ensp;
        <button className="underline underline-offset-3" onClick={() => logOut.mutate()}>
          Log out
        </button>
      </span>
    </header>
  );
}
