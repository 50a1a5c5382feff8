import { describe, expect, test } from 'vitest';
import { dayOf, filterOf, hitParts } from '../../../src/areas/bank/list/filter';

describe('the filter in an address', () => {
  test.each([
    ['', {}],
    ['objective=4&kind=one&status=draft&search=mite', { objective: 4, kind: 'one', status: 'draft', search: 'mite' }],
    ['objective=0', { objective: 0 }],
    ['objective=x&assessment=-1', {}],
    ['tag=season&difficulty=hard&whole=no', { tag: 'season', difficulty: 'hard', whole: 'no' }],
    ['tag=&since=', {}],
    [
      'comments=open&waiting=me&notes=yes&since=2026-05-03&assessment=2',
      { comments: 'open', waiting: 'me', notes: 'yes', since: '2026-05-03', assessment: 2 },
    ],
    ['order=text&after=x&colour=red', {}],
  ])('%s', (address, filter) => expect(filterOf(new URLSearchParams(address))).toEqual(filter));
});

describe('a day as it is typed', () => {
  test.each([
    ['2026-5-3', '2026-05-03'],
    ['3.5.2026', '2026-05-03'],
    ['03/05/2026', '2026-05-03'],
    ['today', '2026-03-02'],
    ['yesterday', '2026-03-01'],
    ['7 days ago', '2026-02-23'],
    ['1 day', '2026-03-01'],
    ['2026-02-29', null],
    ['2026-13-01', null],
    ['soon', null],
    ['', null],
  ])('%s', (typed, day) => expect(dayOf(typed, new Date(2026, 2, 2))).toBe(day));
});

describe('where a search found its words', () => {
  test.each([
    ['', []],
    ['all of it', [{ text: 'all of it', found: false }]],
    [
      ' … the \u0002mite\u0003 and the \u0002Mite board\u0003',
      [
        { text: ' … the ', found: false },
        { text: 'mite', found: true },
        { text: ' and the ', found: false },
        { text: 'Mite board', found: true },
      ],
    ],
  ])('%j', (hit, parts) => expect(hitParts(hit)).toEqual(parts));
});
