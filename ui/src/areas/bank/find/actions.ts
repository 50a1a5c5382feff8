/** What can be done in a bank, by the words one would type for it. */
export interface Action {
  words: string;
  path: string;
  /** other words one would type for it */
  also?: string;
  /** only for whoever may write */
  writes?: boolean;
}

export const actions = (bank: number): Action[] => [
  { words: 'Write a question', path: `/banks/${bank}/questions/new`, writes: true },
  { words: 'Bring in a file', path: `/banks/${bank}/intake`, writes: true },
  {
    words: 'Save questions as a file',
    also: 'export download hand over package table archive text copy',
    path: `/banks/${bank}/questions#out`,
  },
  { words: 'Save an assessment as a file', also: 'export download hand over package archive print', path: `/banks/${bank}/blueprints` },
  { words: 'Copy the bank, make one from an archive', also: 'duplicate restore backup', path: '/banks', writes: true },
  { words: 'Print what is shown', also: 'paper pdf', path: 'print' },
  { words: 'See the board', path: `/banks/${bank}` },
  { words: 'See all questions', path: `/banks/${bank}/questions` },
  { words: 'See questions in review', path: `/banks/${bank}/questions?status=in review` },
  { words: 'See what waits for me', path: `/banks/${bank}/questions?waiting=me` },
  { words: 'See open comments', path: `/banks/${bank}/questions?comments=open` },
  { words: 'Proofread the bank', path: `/banks/${bank}/proofreading` },
  { words: 'Find questions that are alike', path: `/banks/${bank}/alike` },
  { words: 'Change the settings of the bank', path: `/banks/${bank}/settings`, writes: true },
  { words: 'See the history of the bank, undo', path: `/banks/${bank}/history` },
  { words: 'Write a page', path: `/banks/${bank}/pages`, writes: true },
  { words: 'See the blueprints, make an assessment', path: `/banks/${bank}/blueprints` },
  { words: 'See all banks, make a bank', path: '/banks' },
];

/** Those that have every word that was typed, at least with its beginning; the ones that begin with it first. */
export function fitting(all: Action[], typed: string, mayWrite: boolean): Action[] {
  const parts = typed.toLowerCase().split(/\s+/).filter(Boolean);
  const has = ({ words, also = '' }: Action) => {
    const own = `${words} ${also}`.toLowerCase().split(/[^a-z]+/);
    return parts.every((part) => own.some((word) => word.startsWith(part)));
  };
  const begins = ({ words }: Action) => words.toLowerCase().startsWith(typed.trim().toLowerCase());
  const fit = all.filter((action) => (mayWrite || !action.writes) && has(action));
  return [...fit.filter(begins), ...fit.filter((action) => !begins(action))];
}
