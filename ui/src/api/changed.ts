import { type QueryKey, useQueryClient } from '@tanstack/react-query';
import { keys } from './keys';

/** What can change, and which queries are asked again then: of one bank, question … where it is known which. */
const asksAgain = {
  media: (bank: number) => [keys.media(bank)],
  pages: (bank: number) => [keys.pages(bank)],
  question: () => [keys.board(), keys.questions(), keys.blueprints(), keys.proofreading()],
  'what a question scores': (question: number) => [keys.scores(question), keys.asSeen(question)],
  'new questions': (bank: number) => [keys.board(bank), keys.questions(bank)],
  'many questions': (bank: number) =>
    [keys.board, keys.questions, keys.proofreading, keys.blueprints, keys.changes, keys.manyPreview].map((key) => key(bank)),
  'the bank as a whole': (bank: number) => [
    ...[keys.board, keys.questions, keys.pools, keys.blueprints, keys.changes].map((key) => key(bank)),
    keys.blueprint(),
  ],
  intake: (bank: number) =>
    [keys.board, keys.questions, keys.batches, keys.blueprints, keys.bankSettings, keys.pages, keys.proofreading, keys.jobs].map((key) =>
      key(bank),
    ),
  'intake taken back': (bank: number) => [keys.board, keys.questions, keys.batches, keys.blueprints, keys.changes].map((key) => key(bank)),
  settings: () => [keys.questions(), keys.blueprints(), keys.proofreading(), keys.differing()],
  blueprints: () => [keys.blueprints()],
  blueprint: (blueprint: number) => [keys.blueprint(blueprint)],
  editions: () => [keys.edition()],
  admission: (blueprint: number) => [keys.admission(blueprint)],
  groups: () => [keys.groups()],
  sittings: (edition: number) => [keys.results(edition)],
  'own assessments': () => [keys.mine()],
  everything: (): QueryKey[] => [[]],
} satisfies Record<string, (...of: never[]) => QueryKey[]>;

type Changes = typeof asksAgain;

/** Says that something changed: whatever shows it is asked again. */
export function useChanged() {
  const queries = useQueryClient();
  return <What extends keyof Changes>(what: What, ...of: Parameters<Changes[What]>) => {
    const again = asksAgain[what] as (...of: Parameters<Changes[What]>) => QueryKey[];
    return Promise.all(again(...of).map((queryKey) => queries.invalidateQueries({ queryKey })));
  };
}
