import { useChanged } from '../../../api/changed';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import type { Schema } from '../../../api/client';
import { undone } from '../../../api/undone';

type BankChange = Schema['BankChange'];

/**
 * Changes of a bank as a whole, one at a time, and the way back from those made on this visit.
 *
 * @param of what is changed; changes of the same wait for each other
 */
export function useBankChanges<Body>(bank: number, of: string, post: (body: Body) => Promise<BankChange>) {
  const changed = useChanged();
  const [made, setMade] = useState<BankChange[]>([]);
  const refresh = () => changed('the bank as a whole', bank);
  const change = useMutation({
    scope: { id: `${of}:${bank}` },
    mutationFn: post,
    onSuccess: (one) => {
      setMade((all) => [...all, one]);
      return refresh();
    },
  });
  const undo = useMutation({
    scope: { id: `${of}:${bank}` },
    mutationFn: (one: BankChange) => undone(bank, one.id),
    onSuccess: (one) => {
      setMade((all) => all.filter(({ id }) => id !== one.id));
      return refresh();
    },
  });
  const last = made.at(-1);
  return { change, undo, last, undoLast: () => last && !undo.isPending && undo.mutate(last) };
}
