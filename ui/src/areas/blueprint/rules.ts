import { rules } from './rules.gen';

export type RuleName = keyof typeof rules;

/** What counts where nothing is said of a rule; nothing for those that take numbers, times or more. */
export const silent = (rule: RuleName): string | boolean | undefined => rules[rule].values[0]?.[0];

/** The values of a rule as a chooser offers them. */
export const choices = (rule: RuleName) => rules[rule].values.map(([value, words]) => ({ value: String(value), words }));

/** A value as the format has it, from what was chosen. */
export const chosen = (rule: RuleName, picked: string): string | boolean | undefined =>
  rules[rule].values.find(([value]) => String(value) === picked)?.[0];

/** What a part of a blueprint is called where only its name is said. */
export const nameOf = (part: string): string =>
  ({ review: 'review', pass: 'pass mark' })[part] ?? (part in rules ? rules[part as RuleName].name : part);

export { rules };
