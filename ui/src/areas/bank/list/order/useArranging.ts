import { api, dataOf, type Schema } from '../../../../api/client';
import { useBankChanges } from '../../history/useBankChanges';

type Question = Pick<Schema['QuestionRow'], 'id' | 'objective'>;

/**
 * Before which question some go that are moved up or down by one; undefined: they are at the end of their objective already, or
 * stand at several.
 */
export function placeOf(questions: Question[], moved: number[], by: number): number | null | undefined {
  const at = questions.flatMap(({ id }, i) => (moved.includes(id) ? [i] : []));
  const [first, last] = [questions[at[0] ?? -1], questions[at.at(-1) ?? -1]];
  if (!first || !last || at.length !== moved.length || at.some((i) => questions[i]?.objective !== first.objective)) return undefined;
  const same = (one: Question | undefined) => (one && one.objective === first.objective ? one : undefined);
  if (by < 0) return same(questions[(at[0] ?? 0) - 1])?.id;
  const over = same(questions[(at.at(-1) ?? 0) + 1]);
  return over && (same(questions[(at.at(-1) ?? 0) + 2])?.id ?? null);
}

/** Puts questions in order within their objective, one step after the other, with the way back. */
export function useArranging(bank: number) {
  const changes = useBankChanges(bank, 'order', (body: { questions: number[]; before: number | null }) =>
    dataOf(api.POST('/banks/{id}/questions/arrange', { params: { path: { id: bank } }, body })),
  );
  const put = (moved: number[], before: number | null | undefined) => {
    if (before !== undefined && !changes.change.isPending) changes.change.mutate({ questions: moved, before });
  };
  return {
    ...changes,
    put,
    step: (questions: Question[], i: number, by: number) => {
      const one = questions[i];
      if (one) put([one.id], placeOf(questions, [one.id], by));
    },
  };
}

export type Arranging = ReturnType<typeof useArranging>;
