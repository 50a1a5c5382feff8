import type { Schema } from '../../../api/client';
import { nameOf } from '../rules';

export type Differences = Schema['EditionDifferences'];
type Difference = Differences['plan'][number];

const others: Record<string, string> = {
  opening: 'the opening page',
  closing: 'the closing pages',
  review: 'what is seen afterwards',
  apart: 'which questions never meet',
  shares: 'the shares wished',
  refresher: 'its refresher',
  leads: 'where its choices lead',
  then: 'what follows it',
  checkpoint: 'its routes',
  draw: 'what it is drawn from',
};

/** One thing in which a plan differs, as its author says it. */
export function differenceWords({ sort, where, what, old, new: now }: Difference): string {
  const change = (name: string) => `${where === null ? '' : `${where}, `}${name}: ${old ?? 'none'} → ${now ?? 'none'}`;
  switch (sort) {
    case 'step':
    case 'section': {
      const called = (name: string) => (sort === 'step' ? name : name === '' ? 'a section without a title' : `section “${name}”`);
      if (old === null) return `put in: ${called(now ?? '')}`;
      return now === null ? `taken out: ${called(old)}` : `${called(old)} → ${called(now)}`;
    }
    case 'order':
      return now === null ? `the ${what} stand in another order` : `${where === null ? 'sections' : `steps of ${where}`}: ${now}`;
    case 'rule':
      return change(nameOf(what));
    case 'pass mark':
      return change('pass mark');
    case 'minimum':
      return change(`at least in ${what}`);
    case 'tally':
      return change(`tally ${what}`);
    case 'other':
      return `${where === null ? '' : `${where}: `}${others[what] ?? what} changed`;
    default:
      return change(what);
  }
}
