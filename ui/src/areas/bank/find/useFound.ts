import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { api, dataOf } from '../../../api/client';
import { keys } from '../../../api/keys';
import { useSettled } from '../../../parts/hooks/useSettled';

/**
 * What of a bank has the letters that are typed, once typing rests.
 *
 * @param least letters without which nothing is looked for
 */
export function useFound(bank: number, typed: string, least = 1) {
  const settled = useSettled(typed.trim(), 150);
  const found = useQuery({
    queryKey: keys.found(bank, settled),
    queryFn: ({ signal }) => dataOf(api.GET('/banks/{id}/find', { params: { path: { id: bank }, query: { typed: settled } }, signal })),
    enabled: settled.length >= least,
    placeholderData: keepPreviousData,
  });
  const all = settled.length >= least ? (found.data?.found ?? []) : [];
  return {
    all,
    questions: all.filter(({ what }) => what === 'question'),
    isLooking: found.isFetching || settled !== typed.trim(),
  };
}
