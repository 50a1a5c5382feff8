import { keys } from '../../api/keys';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Link } from 'react-router';
import { api, errorWords, dataOf } from '../../api/client';
import { Row, PageAndMargin } from '../../parts/PageAndMargin';
import { TopBar } from '../../TopBar';
import { Waiting } from '../../parts/Waiting';
import type { Account } from './session';

/** Log-ins that have to wait after wrong passwords, and letting them go on at once. */
export default function PeoplePage({ account }: { account: Account }) {
  const queries = useQueryClient();
  const slowed = useQuery({
    queryKey: keys.slowedLogIns(),
    queryFn: () => dataOf(api.GET('/slowed-log-ins')),
    refetchInterval: 10_000,
    staleTime: 0,
  });
  const lift = useMutation({
    mutationFn: (id: number) => dataOf(api.DELETE('/slowed-log-ins/{id}', { params: { path: { id } } })),
    onSuccess: (left) => queries.setQueryData(keys.slowedLogIns(), left),
  });
  if (!slowed.data) return <Waiting error={slowed.error} retry={() => void slowed.refetch()} home={slowed.error !== null} />;
  const list = slowed.data.slowed;
  return (
    <>
      <TopBar account={account} title="People" />
      <PageAndMargin label="People">
        <Row
          className="pt-5"
          page={<h1 className="title">Log-ins that have to wait</h1>}
          margin={
            <Link className="act" to="/">
              To the banks
            </Link>
          }
        />
        <Row
          className="pb-6"
          page={
            list.length === 0 ? (
              <p className="text-soft">Nobody has to wait now.</p>
            ) : (
              <table className="ledger max-w-2xl">
                <thead>
                  <tr>
                    <th scope="col">name</th>
                    <th scope="col">from</th>
                    <th scope="col">wrong passwords</th>
                    <th scope="col"></th>
                  </tr>
                </thead>
                <tbody>
                  {list.map((row) => (
                    <tr key={row.id}>
                      <th scope="row">{row.login}</th>
                      <td className="c">{row.address}</td>
                      <td className="c">{row.failures}</td>
                      <td className="c">
                        <button className="act" disabled={lift.isPending} onClick={() => lift.mutate(row.id)}>
                          Let {row.login} go on
                        </button>
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
            )
          }
          margin={
            <>
              <p>
                After five wrong passwords for a name from one address, the next attempt waits: a second, then longer, half a minute at
                most.
              </p>
              <p className="pt-2">The right password ends it. Other names, and the same name from elsewhere, wait for nothing.</p>
              {lift.error && (
                <p className="notice mt-2" role="alert">
                  {errorWords(lift.error)}
                </p>
              )}
            </>
          }
        />
      </PageAndMargin>
    </>
  );
}
