import type { Schema } from '../../api/client';

const number = (typed: string): number | null => {
  const plain = typed.trim().replace(',', '.');
  return /^\d{1,7}(\.\d{1,6})?$/.test(plain) ? Number(plain) : null;
};

/** A pass mark as typed: "60 %", "75 points", "75", "none" (null); or why it is none. */
export function passMark(typed: string): { pass: Schema['PassMark'] | null } | { why: string } {
  const text = typed.trim().toLowerCase();
  if (text === 'none') return { pass: null };
  const [, figures = '', unit = ''] = /^(.*?)\s*(%|percent|points?|)$/.exec(text) ?? [];
  const value = number(figures);
  if (value === null) return { why: `“${typed}” is no pass mark; write 60 %, 75 points or none` };
  const isPercent = unit === '%' || unit === 'percent';
  if (isPercent && value > 100) return { why: 'more than 100 % cannot be reached' };
  const plain = figures.trim().replace(',', '.');
  return { pass: isPercent ? { percent: plain } : { points: plain } };
}

/** Minutes for the whole as typed, in seconds; "no" is no limit (null). */
export function minutes(typed: string): { seconds: number | null } | { why: string } {
  const text = typed.trim().toLowerCase();
  if (text === 'no' || text === 'none') return { seconds: null };
  const value = number(text.replace(/\s*min(utes?)?$/, ''));
  const seconds = Math.round((value ?? 0) * 60);
  if (value === null || seconds < 10 || seconds > 86_400) return { why: 'from 10 seconds to 24 hours: 0.5 to 1440 minutes, or no' };
  return { seconds };
}

/** Sittings for each candidate as typed; "any number of" is null. */
export function sittings(typed: string): { sittings: number | null } | { why: string } {
  const text = typed.trim().toLowerCase();
  if (/^any( number( of)?)?$/.test(text)) return { sittings: null };
  const value = /^\d{1,2}$/.test(text) ? Number(text) : 0;
  return value > 0 ? { sittings: value } : { why: 'a whole number from 1 to 99, or any number of' };
}

/** How many are taken, as typed in a cell; nothing is 0. */
export function quota(typed: string): { take: number } | { why: string } {
  const text = typed.trim();
  const value = text === '' ? 0 : /^\d{1,3}$/.test(text) ? Number(text) : -1;
  return value >= 0 && value <= 500 ? { take: value } : { why: 'a whole number from 0 to 500' };
}

/** The refusal of a reading, for a Value. */
export const why =
  (read: (typed: string) => object) =>
  (typed: string): string | null => {
    const found = read(typed);
    return 'why' in found ? String(found.why) : null;
  };

/** A duration as typed, as the format writes it: "90 s", "10 min"; null if it is none. A bare number is minutes. */
export function duration(typed: string): string | null {
  const [, figures = '', unit = ''] = /^\s*(\d{1,5}(?:[.,]\d{1,2})?)\s*(s|sec|seconds?|m|min|minutes?|h|hours?|)\s*$/i.exec(typed) ?? [];
  const value = number(figures);
  if (value === null || value <= 0) return null;
  const letter = unit.charAt(0).toLowerCase();
  const seconds = Math.round(value * (letter === 's' ? 1 : letter === 'h' ? 3600 : 60));
  if (seconds < 1 || seconds > 86_400) return null;
  return seconds % 60 === 0 ? `${seconds / 60} min` : `${seconds} s`;
}
