import type { Schema } from '../../../api/client';

export type Filter = NonNullable<Schema['ManyChange']['filter']>;

/** What a list can be narrowed by besides objective, kind, status and words; each is added when it is wanted. */
export const moreFilters = {
  tag: { words: 'tagged', first: '' },
  difficulty: { words: 'difficulty', first: 'hard' },
  whole: { words: 'whole or not', first: 'no' },
  comments: { words: 'open comments', first: 'open' },
  waiting: { words: 'waiting for me', first: 'me' },
  notes: { words: 'notes of the proofreader', first: 'yes' },
  since: { words: 'changed since', first: '' },
  assessment: { words: 'held by an assessment', first: '' },
} as const;
export type MoreFilter = keyof typeof moreFilters;
export const moreNames = Object.keys(moreFilters) as MoreFilter[];

/** The filter that stands in an address; what is there without a value narrows nothing yet. */
export function filterOf(params: URLSearchParams): Filter {
  const filter: Filter = {};
  for (const name of ['objective', 'assessment', 'pool'] as const) {
    const value = params.get(name) ?? '';
    if (/^\d{1,15}$/.test(value)) filter[name] = Number(value);
  }
  for (const name of [
    'kind',
    'status',
    'search',
    'tag',
    'difficulty',
    'whole',
    'comments',
    'waiting',
    'notes',
    'since',
    'differs',
  ] as const) {
    const value = params.get(name) ?? '';
    if (value !== '') filter[name] = value;
  }
  return filter;
}

/** The filter as an address has it. */
export const addressOf = (filter: Filter) => new URLSearchParams(Object.entries(filter).map(([name, value]) => [name, String(value)]));

/** Whether two filters narrow to the same. */
export const sameFilter = (a: Filter, b: Filter) => sorted(a) === sorted(b);
const sorted = (filter: Filter) => {
  const address = addressOf(filter);
  address.sort();
  return address.toString();
};

/** A day as it is typed, as an address has it: "3.5.2026", "2026-05-03", "today", "7 days". */
export function dayOf(typed: string, today: Date): string | null {
  const text = typed.trim().toLowerCase();
  const back = text === 'today' ? 0 : text === 'yesterday' ? 1 : Number(/^(\d{1,4}) days?( ago)?$/.exec(text)?.[1] ?? NaN);
  if (!Number.isNaN(back)) {
    const day = new Date(today.getFullYear(), today.getMonth(), today.getDate() - back);
    return iso(day.getFullYear(), day.getMonth() + 1, day.getDate());
  }
  const [, y, m, d] = /^(\d{4})-(\d{1,2})-(\d{1,2})$/.exec(text) ?? [];
  const [, d2, m2, y2] = /^(\d{1,2})[./](\d{1,2})[./](\d{4})$/.exec(text) ?? [];
  const [year, month, day] = [Number(y ?? y2), Number(m ?? m2), Number(d ?? d2)];
  return month >= 1 && month <= 12 && day >= 1 && day <= new Date(year, month, 0).getDate() ? iso(year, month, day) : null;
}

const iso = (year: number, month: number, day: number) => `${year}-${String(month).padStart(2, '0')}-${String(day).padStart(2, '0')}`;

/** The words around what a search found, told apart from what it found. */
export function hitParts(hit: string): { text: string; found: boolean }[] {
  return hit
    .split('\u0002')
    .flatMap((part, i) => {
      const [found = '', after] = part.split('\u0003');
      return i === 0
        ? [{ text: part, found: false }]
        : [
            { text: found, found: true },
            { text: after ?? '', found: false },
          ];
    })
    .filter(({ text }) => text !== '');
}
