import { useChanged } from '../../../api/changed';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, errorWords, type Schema, dataOf } from '../../../api/client';
import { batchesQuery } from '../../../api/queries';
import { over } from '../../../api/undone';
import { count } from '../../../parts/text/figures';
import { day } from '../../../parts/text/moments';

/** The last intake, and the way back from it. */
export function LastIntake({ bank }: { bank: number }) {
  const batches = useQuery(batchesQuery(bank));
  const last = batches.data?.batches.find((batch) => batch.takenBackAt === null);
  return last ? <BatchLine bank={bank} batch={last} lead="last intake: " /> : null;
}

export function BatchLine({ bank, batch, lead = '' }: { bank: number; batch: Schema['Batch']; lead?: string }) {
  const changed = useChanged();
  const takeBack = useMutation({
    mutationFn: async () => over(await dataOf(api.POST('/batches/{id}/take-back', { params: { path: { id: batch.id } } }))),
    onSuccess: () => changed('intake taken back', bank),
  });
  /** A large one is asked about first. */
  const [sure, setSure] = useState(false);
  const isLarge = batch.questions + batch.revised > 50;
  const done = takeBack.data?.result as Schema['TakenBack'] | undefined;
  return (
    <p>
      {lead}
      {batch.name}, {count(batch.questions, 'question')}
      {batch.revised > 0 && `, ${count(batch.revised, 'new revision')}`}, {day(batch.takenInAt)}{' '}
      {done ? (
        <span role="status">
          · {done.taken} taken back{done.putBack > 0 && `, ${done.putBack} put back`}
          {done.blueprints > 0 && `, ${count(done.blueprints, 'blueprint')} gone`}
          {done.kept > 0 && `, ${done.kept} kept`}
          {done.by.length > 0 && `: ${done.by.join(', ')}`}
        </span>
      ) : batch.takenBackAt ? (
        <span>· taken back</span>
      ) : isLarge && !sure ? (
        <button className="act" onClick={() => setSure(true)}>
          Take back this batch
        </button>
      ) : (
        <button className="act" disabled={takeBack.isPending} onClick={() => takeBack.mutate()}>
          {isLarge ? `Take back all ${count(batch.questions + batch.revised, 'question')} of it` : 'Take back this batch'}
        </button>
      )}
      {takeBack.isPending && isLarge && <span className="text-quiet">· being taken back …</span>}
      {takeBack.error && <span className="notice block">{errorWords(takeBack.error)}</span>}
    </p>
  );
}
