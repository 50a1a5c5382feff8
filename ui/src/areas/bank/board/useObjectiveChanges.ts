import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, dataOf, type Schema } from '../../../api/client';
import { keys } from '../../../api/keys';

export type ObjectiveChange =
  | { do: 'add'; parent: number | null; name: string }
  | { do: 'describe'; id: number; name: string; code: string; description: string }
  | { do: 'move'; id: number; parent: number | null; before: number | null }
  | { do: 'merge'; id: number; into: number }
  | { do: 'remove'; id: number };

/** Changes of the tree, one at a time, and the way back from those made on this visit. */
export function useObjectiveChanges(bank: number) {
  const queries = useQueryClient();
  const [made, setMade] = useState<Schema['BankChange'][]>([]);
  const refresh = () =>
    Promise.all(
      [keys.board, keys.questions, keys.blueprints, keys.changes].map((key) => queries.invalidateQueries({ queryKey: key(bank) })),
    ).then(() => queries.invalidateQueries({ queryKey: keys.blueprint() }));
  const change = useMutation({
    scope: { id: `objectives:${bank}` },
    mutationFn: (body: ObjectiveChange) => dataOf(api.POST('/banks/{id}/objectives', { params: { path: { id: bank } }, body })),
    onSuccess: (one) => {
      setMade((all) => [...all, one]);
      return refresh();
    },
  });
  const undo = useMutation({
    scope: { id: `objectives:${bank}` },
    mutationFn: (one: Schema['BankChange']) =>
      dataOf(api.POST('/banks/{bank}/changes/{id}/undo', { params: { path: { bank, id: one.id } } })),
    onSuccess: (one) => {
      setMade((all) => all.filter(({ id }) => id !== one.id));
      return refresh();
    },
  });
  const last = made.at(-1);
  return { change, undo, last, undoLast: () => last && !undo.isPending && undo.mutate(last) };
}

export type ObjectiveChanges = ReturnType<typeof useObjectiveChanges>;
