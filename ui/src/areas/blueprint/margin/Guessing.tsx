import { useQuery } from '@tanstack/react-query';
import { api, dataOf } from '../../../api/client';
import { keys } from '../../../api/keys';
import { grouped } from '../../../parts/text/figures';

/** How likely somebody passes who only guesses: exact, or between two bounds and called so. */
export function Guessing({ blueprint, version }: { blueprint: number; version: number }) {
  const told = useQuery({
    queryKey: keys.guessing(blueprint, version),
    queryFn: () => dataOf(api.GET('/blueprints/{id}/guessing', { params: { path: { id: blueprint } } })),
    staleTime: Infinity,
    retry: false,
  }).data;
  if (!told || told.least === null || told.most === null) return null;
  const oneIn = (n: string) => (n === '0' ? 'nobody' : `1 in ${grouped(Number(n))}`);
  if (told.least === told.most) return <p>By guessing alone {told.least === '0' ? 'nobody' : oneIn(told.least)} would pass.</p>;
  // What is least likely is one in the most.
  return (
    <p title="Its pools have questions that are guessed more easily than others; every form lies between the two.">
      By guessing alone between {told.least === '0' ? 'nobody' : oneIn(told.least)} and {oneIn(told.most)} would pass.
    </p>
  );
}
