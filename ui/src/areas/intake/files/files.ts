import { api, dataOf, type Schema } from '../../../api/client';
import { alongOf, decisionOf, type Given, type SourceFormat } from '../brought';
import type { Opened } from '../useOpened';

/** One of several files that come in together. */
export interface WaitingFile extends Opened {
  given: Given;
  /** what was understood; null while it is read */
  read: Schema['Understood'] | null;
  /** whether an objective was looked for in its name */
  named?: boolean;
  /** whether somebody said that its questions go to no objective */
  nowhere?: boolean;
  /** its encoding and first words, where it is not sure how it is written and nobody has agreed yet */
  unsure: string | null;
}

const wordsOf = (text: string) => text.toLowerCase().match(/[\p{L}\p{N}]+/gu) ?? [];

/** The objective of the bank whose words are all in a file's name: of several the one that has most of them. */
export function objectiveIn(name: string, known: string[]): string {
  const said = new Set(wordsOf(name.replace(/(\.zet)?\.[a-z]+$/i, '')));
  const has = (text: string) => wordsOf(text).filter((word) => said.has(word)).length;
  return known
    .filter((path) => {
      const last = wordsOf(path.split(' > ').at(-1) ?? '');
      return last.length > 0 && last.every((word) => said.has(word));
    })
    .reduce((best, path) => (has(path) > has(best) ? path : best), '');
}

/** Where a file's own questions go that say none is still to be said. */
export const asksWhere = (file: WaitingFile) => needsObjective(file) && file.given.objective === '' && file.nowhere !== true;

export const waitingOf = (opened: Opened, told: Schema['Opened']): WaitingFile => ({
  ...opened,
  unsure: told.isSure ? null : `as ${told.encoding} it reads “${told.sample}”`,
  given: { objective: '', tags: [], settings: {} },
  read: null,
});

/** The same for all that the first is given; where each file goes is its own. */
export const givenAlike = (given: Given, to: WaitingFile): WaitingFile => ({
  ...to,
  given: { ...given, objective: to.given.objective },
  // Asked as another kind it reads otherwise.
  read: (to.given.kind ?? null) === (given.kind ?? null) ? to.read : null,
});

/** Those of a file that are taken in: whole, and none that the bank has. */
export const readyOf = ({ read, unsure }: WaitingFile) =>
  (unsure === null ? (read?.questions ?? []) : []).filter(
    (q) => q.question !== null && q.problems.length === 0 && decisionOf(q, {}) !== 'leave',
  );

/** Whether any question of it says no objective itself, so that one given to it has an effect. */
export const needsObjective = ({ read }: WaitingFile) => read?.questions.some((q) => q.question?.objective === '') ?? false;

const body = (file: WaitingFile): { text: string; as: SourceFormat; given: Given } => ({ text: file.text, as: file.as, given: file.given });

export const readFile = (bank: number, file: WaitingFile) =>
  dataOf(api.POST('/banks/{id}/intake/read', { params: { path: { id: bank } }, body: body(file) }));

/** Takes files in one after another, as one batch; tells after each how many are done. */
export async function takeInAll(
  bank: number,
  files: WaitingFile[],
  onDone: (done: number) => void,
): Promise<{ batch: Schema['Batch'] | null; blueprints: NonNullable<Schema['Batch']['blueprints']> }> {
  let batch: Schema['Batch'] | null = null;
  const blueprints = [];
  for (const [i, file] of files.entries()) {
    const lines = readyOf(file).map((q) => q.fromLine);
    if (lines.length > 0) {
      let job: Schema['Job'] = await dataOf(
        api.POST('/banks/{id}/intake', {
          params: { path: { id: bank } },
          body: {
            ...body(file),
            name: file.name,
            lines,
            again: {},
            ...alongOf(file.beside),
            ...(batch !== null && { batch: batch.id }),
          },
        }),
      );
      while (job.state === 'waiting' || job.state === 'running') {
        await new Promise((resolve) => setTimeout(resolve, 400));
        job = await dataOf(api.GET('/jobs/{id}', { params: { path: { id: job.id } } }));
      }
      if (job.state === 'failed') throw new Error(job.failure ?? 'It broke off.');
      if (job.result && 'takenInAt' in job.result) {
        batch = job.result;
        blueprints.push(...(batch.blueprints ?? []));
      }
    }
    onDone(i + 1);
  }
  return { batch, blueprints };
}
