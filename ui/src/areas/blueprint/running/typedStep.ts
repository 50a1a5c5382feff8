import { kinds } from '../../../kinds/facts.gen';
import type { Asked, Pool } from '../document';

/** What a step can be made of, as it is typed. */
export interface Offered {
  objectives: readonly string[];
  pages: readonly string[];
  pools: readonly string[];
  /** questions that were found for what is typed: what a blueprint calls them, and what they are told by */
  questions: readonly { name: string; stem: string }[];
}

/** One thing that can be put in: a step, or a section that begins there. */
export type Offer = { words: string; more: string } & ({ step: Asked } | { section: string });

/** Kinds by all the words there are for them, the longest first. */
const kindWords = Object.entries(kinds)
  .flatMap(([kind, { names }]) => [kind, ...names].map((word) => ({ word: word.toLowerCase(), kind })))
  .sort((a, b) => b.word.length - a.word.length);

const fits = (name: string, typed: string) => name.toLowerCase().includes(typed);
const leaf = (path: string) => path.split(' > ').at(-1) ?? path;

/** The kinds that words at the end say, and what is left: "hive inspection, one or true or false" is two kinds of Hive inspection. */
function kindsOf(words: string): { rest: string; kinds: string[] } {
  const said: string[] = [];
  let rest = words.trim();
  for (;;) {
    const found = kindWords.find(({ word }) => rest.endsWith(word) && /(^|[,:]\s*|\b(?:or|and)\s+)$/.test(rest.slice(0, -word.length)));
    if (!found) return { rest: rest.replace(/[,:\s]+$/, ''), kinds: [...new Set(said)] };
    said.unshift(found.kind);
    rest = rest.slice(0, -found.word.length).replace(/\s*(?:[,:]|\b(?:or|and))\s*$/, '');
  }
}

function draws(take: number, words: string, { objectives, pools }: Offered): Offer[] {
  const offer = (pool: Pool, of: string): Offer => ({ words: `take ${take} of ${of}`, more: 'draw', step: { draw: { take, pool } } });
  const named = /^(?:the )?pool\s+(.*)$/.exec(words)?.[1];
  if (named !== undefined) return pools.filter((name) => fits(name, named)).map((name) => offer({ in: name }, `the pool “${name}”`));
  const { rest, kinds: said } = kindsOf(words);
  const some = said.length > 0 ? { kinds: said } : {};
  const of = said.length > 0 ? `: ${said.join(' or ')}` : '';
  if (rest === '') return said.length > 0 ? [offer(some, said.join(' or '))] : [];
  // What is called just so stands first, then what begins so.
  const rank = (path: string) => (leaf(path).toLowerCase() === rest ? 0 : leaf(path).toLowerCase().startsWith(rest) ? 1 : 2);
  return [
    ...objectives
      .filter((path) => fits(path, rest))
      .sort((a, b) => rank(a) - rank(b))
      .map((path) => offer({ objective: path, ...some }, path.replaceAll(' > ', ' › ') + of)),
    ...pools.filter((name) => fits(name, rest)).map((name) => offer({ in: name, ...some }, `the pool “${name}”${of}`)),
  ];
}

/** What can be put in for what is typed, the likeliest first. */
export function offers(typed: string, offered: Offered): Offer[] {
  const text = typed.trim();
  const low = text.toLowerCase();
  if (low === '') return [];
  const drawn = /^(\d{1,3})\s*(?:of|×|x)?\s+(.+)$/.exec(low);
  if (drawn && Number(drawn[1]) === 0) return [];
  if (drawn) return draws(Number(drawn[1]), (drawn[2] ?? '').trim(), offered).slice(0, 8);
  const section = /^section\b\s*(.*)$/i.exec(text);
  if (section) {
    const title = section[1] ?? '';
    return [{ words: title === '' ? 'a section begins here' : `section “${title}” begins here`, more: 'section', section: title }];
  }
  const page = /^page\s+(.*)$/.exec(low)?.[1];
  const pages = offered.pages
    .filter((name) => fits(name, page ?? low))
    .map((name): Offer => ({ words: name, more: 'page', step: { page: name } }));
  if (page !== undefined) return pages.slice(0, 8);
  const checkpoint: Offer[] = 'checkpoint'.startsWith(low)
    ? [{ words: 'checkpoint', more: 'where the way divides', step: { checkpoint: { routes: [] } } }]
    : [];
  const questions = offered.questions.map(({ name, stem }): Offer => ({ words: stem, more: 'question', step: { question: name } }));
  return [...checkpoint, ...pages.slice(0, 4), ...questions].slice(0, 8);
}
