import { useQuery } from '@tanstack/react-query';
import { api, dataOf } from '../../../api/client';
import { keys } from '../../../api/keys';
import { grouped } from '../../../parts/text/figures';

/** Where fewer than so many guess before one passes, it is told in percent. */
const FEW = 5;

/** How likely somebody passes who only guesses: exact, or between two bounds and called so. */
export function Guessing({ blueprint, version }: { blueprint: number; version: number }) {
  const told = useQuery({
    queryKey: keys.guessing(blueprint, version),
    queryFn: () => dataOf(api.GET('/blueprints/{id}/guessing', { params: { path: { id: blueprint } } })),
    staleTime: Infinity,
    retry: false,
  }).data;
  if (!told || told.least === null || told.most === null) return null;
  // “1 in 2” is far off where 6 of 9 pass.
  const words = (n: string, percent: string | null) =>
    n === '0' ? 'nobody' : Number(n) < FEW ? `${percent ?? ''} %` : `1 in ${grouped(Number(n))}`;
  if (told.least === told.most) return <p>By guessing alone {words(told.least, told.leastPercent)} would pass.</p>;
  // What is least likely is one in the most.
  return (
    <p title="Its pools have questions that are guessed more easily than others; every form lies between the two.">
      By guessing alone between {words(told.least, told.leastPercent)} and {words(told.most, told.mostPercent)} would pass.
    </p>
  );
}
