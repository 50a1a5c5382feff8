import { api, dataOf, type Schema } from '../../api/client';

/** More questions than this take longer than a few seconds to write out. */
export const manyQuestions = 2_000;
/** More sittings than this do, too. */
export const manySittings = 300;

type As = 'text' | 'table' | 'archive' | 'qti21' | 'qti30';

/** Has a bank, or what its list is narrowed to, written in the background. */
export const bankOut = (bank: number, as: As, narrowed = new URLSearchParams()): Promise<Schema['Job']> =>
  dataOf(api.POST('/banks/{id}/out', { params: { path: { id: bank } }, body: { as, filter: Object.fromEntries(narrowed) } }));
