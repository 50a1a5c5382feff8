import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { api, dataOf } from '../../../api/client';
import { keys } from '../../../api/keys';
import { useSettled } from '../../../parts/hooks/useSettled';

/** Questions of the bank that ask the same or nearly the same as what is being written, once the typing pauses. */
export function AlikeHere({ bank, stem }: { bank: number; stem: string }) {
  const but = Number(useParams().id ?? 0);
  const settled = useSettled(stem.trim(), 1_200);
  const alike = useQuery({
    queryKey: keys.alike(bank, but, settled),
    queryFn: ({ signal }) =>
      dataOf(api.POST('/banks/{id}/alike', { params: { path: { id: bank } }, body: { stem: settled, but }, signal })),
    enabled: settled !== '',
    placeholderData: keepPreviousData,
    staleTime: 60_000,
    retry: false,
  });
  const found = settled === '' ? [] : (alike.data?.alike ?? []);
  if (found.length === 0) return null;
  return (
    <p className="pt-1 text-quiet">
      {found.some(({ percent }) => percent === 100) ? 'Asks the same as ' : 'Asks nearly the same as '}
      {found.map((one, i) => (
        <span key={one.id}>
          {i > 0 && ', '}
          <Link className="act" to={`/banks/${bank}/questions/${one.id}`} title={one.excerpt}>
            {one.name ?? one.excerpt}
          </Link>
        </span>
      ))}
    </p>
  );
}
