import { type Document, type Rules, without } from '../document';
import { type RuleName, silent } from '../rules';

/** What a sort of assessment usually rules, in plain words. */
export interface Preset {
  name: string;
  says: string;
  rules: Rules;
  review: NonNullable<Document['review']>;
  /** nobody passes it, and no clock runs */
  isUnjudged?: true;
}

const sees = (rung: 'nothing' | 'total' | 'objectives' | 'marked paper' | 'marked paper with key and feedback') => [{ rung }];
const all = { passed: sees('marked paper with key and feedback'), notPassed: sees('marked paper with key and feedback') };

export const presets: Preset[] = [
  {
    name: 'practice',
    says: 'feedback after each attempt, the right answer shown, any number of sittings',
    rules: { moving: 'any order', screen: 'question', feedback: 'after each attempt', key: true, worth: true, sittings: 'unlimited' },
    review: all,
  },
  {
    name: 'test',
    says: 'all on one page in any order, told at the end, one sitting',
    rules: { moving: 'any order', screen: 'section', feedback: 'at the end', worth: true },
    review: all,
  },
  {
    name: 'examination',
    says: 'forward only, a question a page, nothing told but the total, one sitting',
    rules: { moving: 'forward only', screen: 'question', feedback: 'at the end', worth: true, mustAnswer: false },
    review: { passed: sees('total'), notPassed: sees('objectives') },
  },
  {
    name: 'scenario',
    says: 'forward only, each decision told at once, routes, any number of sittings',
    rules: { moving: 'forward only', screen: 'question', feedback: 'after each attempt', sittings: 'unlimited' },
    review: { passed: sees('marked paper'), notPassed: sees('marked paper') },
  },
  {
    name: 'survey',
    says: 'nothing is told, nobody passes, no time limit, every question must be answered',
    isUnjudged: true,
    rules: { moving: 'forward only', screen: 'question', feedback: 'never', mustAnswer: true },
    review: { passed: sees('nothing'), notPassed: sees('nothing') },
  },
];

/** Rules that every preset leaves as they are. */
const kept: (keyof Rules)[] = ['time', 'pause'];

export const withPreset = (document: Document, { rules, review, isUnjudged }: Preset): Document => ({
  ...(isUnjudged ? without(document, 'pass') : document),
  rules: {
    ...Object.fromEntries(
      kept.flatMap((rule) => (document.rules?.[rule] === undefined || isUnjudged ? [] : [[rule, document.rules[rule]]])),
    ),
    ...rules,
  },
  review,
});

/** One sitting, where nothing is said. */
const valueOf = (said: Rules, rule: string) =>
  (said as Record<string, unknown>)[rule] ?? (rule === 'sittings' ? 1 : (silent(rule as RuleName) ?? false));

/** The rules in which a document differs from a preset, by their words; times do not count. */
export function differences(document: Document, preset: Preset): string[] {
  const mine = document.rules ?? {};
  const rules = [...new Set([...Object.keys(mine), ...Object.keys(preset.rules)])].filter((rule) => !kept.includes(rule as keyof Rules));
  return [
    ...rules.filter((rule) => JSON.stringify(valueOf(mine, rule)) !== JSON.stringify(valueOf(preset.rules, rule))),
    ...(preset.isUnjudged && document.pass ? ['pass'] : []),
    ...(preset.isUnjudged && mine.time !== undefined ? ['time'] : []),
    ...(JSON.stringify(document.review) === JSON.stringify(preset.review) ? [] : ['review']),
  ];
}

/** The preset that a document is nearest to. */
export const nearest = (document: Document): { preset: Preset; differs: string[] } =>
  presets.map((preset) => ({ preset, differs: differences(document, preset) })).sort((a, b) => a.differs.length - b.differs.length)[0] as {
    preset: Preset;
    differs: string[];
  };
