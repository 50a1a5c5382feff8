import { keys } from '../../api/keys';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useEffect, useEffectEvent } from 'react';
import { api, errorWords, type Schema, dataOf } from '../../api/client';
import { grouped } from '../../parts/text/figures';

type Job = Schema['Job'];

export const isOver = (job: Job) => ['done', 'stopped', 'failed'].includes(job.state);

/** Work in the background, asked after until it is over. */
export function useJob(begun: Job | null | undefined, onEnd: (job: Job) => void): Job | null {
  const job = useQuery({
    queryKey: keys.job(begun?.id),
    queryFn: () => dataOf(api.GET('/jobs/{id}', { params: { path: { id: begun?.id ?? 0 } } })),
    enabled: begun != null && !isOver(begun),
    initialData: begun ?? undefined,
    refetchInterval: ({ state }) => (state.data && isOver(state.data) ? false : 700),
  });
  const ended = job.data && begun && !isOver(begun) && isOver(job.data) ? job.data : null;
  const end = useEffectEvent(onEnd);
  useEffect(() => {
    if (ended) end(ended);
  }, [ended]);
  return job.data ?? null;
}

/** How far the work is, and the way to stop it. */
export function JobProgress({ job, doing }: { job: Job; doing: string }) {
  const stop = useMutation({ mutationFn: () => dataOf(api.POST('/jobs/{id}/stop', { params: { path: { id: job.id } } })) });
  if (job.state === 'failed') {
    return (
      <p className="notice" role="alert">
        {job.failure}
      </p>
    );
  }
  return (
    <p role="status">
      {job.state === 'waiting' ? `${doing}: begins in a moment` : `${doing}: ${grouped(job.done)} of ${grouped(job.total)}`}{' '}
      {!isOver(job) && (
        <button className="act" disabled={job.stopAsked || stop.isPending || stop.isSuccess} onClick={() => stop.mutate()}>
          {job.stopAsked || stop.isSuccess ? 'stops in a moment' : 'Stop'}
        </button>
      )}
      <progress className="mt-1 block w-full" max={Math.max(1, job.total)} value={job.done} aria-label={doing} />
      {stop.error && <span className="notice block">{errorWords(stop.error)}</span>}
    </p>
  );
}
