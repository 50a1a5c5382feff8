import { api, dataOf } from '../../../api/client';
import { useBankChanges } from '../history/useBankChanges';

export type ObjectiveChange =
  | { do: 'add'; parent: number | null; name: string }
  | { do: 'describe'; id: number; name: string; code: string; description: string; version: number }
  | { do: 'move'; id: number; parent: number | null; before: number | null }
  | { do: 'merge'; id: number; into: number }
  | { do: 'remove'; id: number };

/** Changes of the tree, one at a time, and the way back from those made on this visit. */
export const useObjectiveChanges = (bank: number) =>
  useBankChanges(bank, 'objectives', (body: ObjectiveChange) =>
    dataOf(api.POST('/banks/{id}/objectives', { params: { path: { id: bank } }, body })),
  );

export type ObjectiveChanges = ReturnType<typeof useObjectiveChanges>;
