import { api, dataOf, type Schema } from './client';

const EACH = 700;

/** Undoes a change of a bank, and waits until it is undone where that takes long. */
export async function undone(bank: number, id: number): Promise<Schema['BankChange']> {
  const change = await dataOf(api.POST('/banks/{bank}/changes/{id}/undo', { params: { path: { bank, id } } }));
  if (change.job) await over(change.job);
  return change;
}

/** Waits until a job is over. @throws Error with the reason, if it failed */
export async function over(job: Schema['Job']): Promise<Schema['Job']> {
  while (['waiting', 'running'].includes(job.state)) {
    const at: number = job.id;
    await new Promise((go) => setTimeout(go, EACH));
    job = await dataOf(api.GET('/jobs/{id}', { params: { path: { id: at } } }));
  }
  if (job.state === 'failed') throw new Error(job.failure ?? 'It could not be done.');
  return job;
}
