import type { Schema } from '../../api/client';

/** What is said where a clock stood that has run out. */
export function lapsedWords({ of, entered, counts }: Schema['Sitting']['lapsed'][number]): string {
  if (of === 'section') return 'The time of that section ran out; its other questions are left behind.';
  if (!entered) return 'Time ran out for this question; nothing was entered.';
  return `Time ran out for this question; what you had entered ${counts ? 'counts' : 'does not count'}.`;
}
