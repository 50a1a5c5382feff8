import { api, dataOf, type Schema } from '../../../../api/client';
import { useBankChanges } from '../../history/useBankChanges';

export type Pool = Schema['Pools']['pools'][number];

/** Changes of the bank's pools, one at a time, and the way back from those made on this visit. */
export const usePoolChanges = (bank: number) =>
  useBankChanges(bank, 'pools', (body: Schema['PoolChange']) =>
    dataOf(api.POST('/banks/{id}/pools', { params: { path: { id: bank } }, body })),
  );

export type PoolChanges = ReturnType<typeof usePoolChanges>;
