import { count, points as pointsWord } from '../../../parts/text/figures';
import { type Blueprint, type Condition, type Document, type DrawStep, numbered, type Pool, type Step } from '../document';

/** What is needed to say a step in words. */
export interface Telling {
  document: Document;
  questions: Blueprint['questions'];
}

const quoted = (names: readonly string[]) => names.map((name) => `“${name}”`).join(', ');

/** A question as its author knows it: one that was just put in is called by its id until it is read again. */
function called(name: string, questions: Telling['questions']): string {
  const known = questions[name];
  if (!known || !/^q\d+$/.test(name)) return name;
  const own = Object.keys(questions).find((other) => other !== name && questions[other]?.id === known.id);
  return own ?? (known.stem.length > 40 ? `${known.stem.slice(0, 39).trimEnd()} …` : known.stem);
}

/** The signs of comparisons in words; what stands after them is a number. */
export const signs = {
  '>=': 'at least',
  '>': 'more than',
  '<=': 'at most',
  '<': 'less than',
  '=': 'exactly',
  between: 'from',
} as const;

export const compared = (is: keyof typeof signs, value: string | readonly string[]) =>
  typeof value === 'string' ? `${signs[is]} ${value}` : `from ${value[0] ?? ''} to ${value[1] ?? ''}`;

type Scope = Extract<Condition, { points: unknown }>['points'];

/** A section by its title; one without is called by its number. */
export function sectionWords(document: Telling['document'], id: string): string {
  const place = document.sections.findIndex((section) => section.id === id);
  const title = document.sections[place]?.title ?? '';
  return title === '' ? `section ${place + 1}` : `“${title}”`;
}

function within(scope: Scope, { document, questions }: Telling): string {
  if (scope === 'all') return 'so far';
  if ('section' in scope) {
    return `in ${sectionWords(document, scope.section)}`;
  }
  return `in ${quoted(scope.questions.map((name) => called(name, questions)))}`;
}

/** A condition as it is read: "at least 12 points so far". */
export function conditionWords(when: Condition, telling: Telling): string {
  if ('points' in when)
    return `${compared(when.is, when.value)} ${pointsWord(typeof when.value === 'string' ? when.value : (when.value[1] ?? ''))} ${within(when.points, telling)}`;
  if ('percent' in when) return `${compared(when.is, when.value)} % ${within(when.percent, telling)}`;
  if ('tally' in when) return `${when.tally} ${compared(when.is, when.value)}`;
  if ('outcome' in when) return `“${called(when.outcome, telling.questions)}” is ${when.is.join(' or ')}`;
  if ('chosen' in when)
    return `“${called(when.chosen, telling.questions)}” is answered with ${choiceWords(when.chosen, when.choice, telling)}`;
  if ('not' in when) return `not (${conditionWords(when.not, telling)})`;
  const [parts, word] = 'all' in when ? [when.all, ' and '] : [when.any, ' or '];
  return parts
    .map((part) => ('all' in part || 'any' in part ? `(${conditionWords(part, telling)})` : conditionWords(part, telling)))
    .join(word);
}

const letter = (choice: number) => String.fromCharCode(64 + choice);

export function choiceWords(question: string, choice: number, { questions }: Telling): string {
  const text = questions[question]?.choices[choice - 1];
  return text === undefined || text === '' ? letter(choice) : `${letter(choice)} (${text})`;
}

/** Where a way leads, by the number of the step. */
export function wayWords(to: string, { document }: Telling): string {
  if (to === 'end') return 'the end';
  if (to === 'next') return 'what follows';
  const all = numbered(document);
  const found = all.find(({ step }) => step.id === to) ?? all.find(({ section }) => section.id === to);
  return found ? String(found.number) : `“${to}”`;
}

export function poolWords(pool: Pool, questions: Telling['questions']): string {
  const names = (list: readonly string[]) => quoted(list.map((name) => called(name, questions)));
  const { objective, below, kinds = [], tags = [], difficulty = [], only = [], without = [], also = [] } = pool;
  const where = objective ? objective.replaceAll(' > ', ' › ') : '';
  const main = [
    pool.in !== undefined && `the pool “${pool.in}”`,
    where !== '' && where + (below === false ? ' (not below)' : ''),
    kinds.length > 0 && kinds.join(' or '),
    tags.length > 0 && `tagged ${tags.join(', ')}`,
    difficulty.length > 0 && difficulty.join(' or '),
  ].filter((part) => part !== false);
  const picked = only.length > 0 ? (only.length > 4 ? `${count(only.length, 'question')} picked by hand` : names(only)) : '';
  const words = [main.join(': '), picked].filter((part) => part !== '').join(', ') || 'all questions';
  return [
    words,
    without.length > 0 && `without ${without.length > 3 ? count(without.length, 'question') : names(without)}`,
    also.length > 0 && `and ${also.length > 3 ? count(also.length, 'question') : names(also)}`,
  ]
    .filter((part) => part !== false)
    .join(' ');
}

const drawWords = ({ draw }: DrawStep, { questions }: Telling) => `take ${draw.take} of ${poolWords(draw.pool, questions)}`;

/** What a step is, in one line that tells it from others; and what else is said there. */
export function stepWords(step: Step, telling: Telling): { main: string; isRead: boolean; more: string[] } {
  if ('page' in step)
    return { main: step.page, isRead: true, more: ['page', ...(step.then ? [`then ${wayWords(step.then, telling)}`] : [])] };
  if ('checkpoint' in step) {
    const { routes = [], otherwise = 'next', announced = false } = step.checkpoint;
    const ways = routes.map(({ when, to }) => `${conditionWords(when, telling)} → ${wayWords(to, telling)}`);
    return {
      main: `checkpoint: ${[...ways, `otherwise → ${wayWords(otherwise, telling)}`].join('; ')}`,
      isRead: false,
      more: [announced ? 'announced' : 'silent'],
    };
  }
  const settings = Object.entries(step.settings ?? {}).map(([word, value]) => `${word} ${value}`);
  const refresher = step.refresher?.pages
    ? [`failed: ${quoted(step.refresher.pages)}, and back`]
    : step.refresher === null
      ? ['no refresher']
      : [];
  if ('draw' in step)
    return {
      main: drawWords(step, telling),
      isRead: false,
      more: [...(step.draw.place === 'mixed' ? ['mixed'] : []), ...settings, ...refresher],
    };
  const question = telling.questions[step.question];
  const leads = Object.keys(step.leads ?? {}).length;
  return {
    main: question && question.stem !== '' ? question.stem : step.question,
    isRead: true,
    more: [
      ...(question ? [question.kind] : []),
      ...(question && question.stem !== '' && !/^q\d+$/.test(step.question) ? [step.question] : []),
      ...(question && !question.isDealt ? ['not cleared yet'] : []),
      ...settings,
      ...(leads > 0 ? [`${count(leads, 'choice')} ${leads === 1 ? 'leads' : 'lead'} on`] : []),
      ...refresher,
    ],
  };
}
