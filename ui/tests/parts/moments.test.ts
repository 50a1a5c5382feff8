import { afterEach, describe, expect, it, vi } from 'vitest';
import { day, momentWords, readMoment, shortDay, timeOfDay } from '../../src/parts/text/moments';

const speaks = (language: string) => vi.spyOn(navigator, 'language', 'get').mockReturnValue(language);
afterEach(() => vi.restoreAllMocks());

const now = new Date(2026, 11, 2, 9, 0);
const afternoon = new Date(2026, 10, 25, 14, 30).toISOString();
const read = (typed: string) => {
  const at = readMoment(typed, now);
  return at && [at.getFullYear(), at.getMonth() + 1, at.getDate(), at.getHours(), at.getMinutes()].join(' ');
};

describe('dates follow the browser’s language, with 24 hours', () => {
  it.each([
    ['en-GB', '25 November 2026', '25 Nov', 'Wed, 25 Nov 2026, 14:30'],
    ['en-US', 'November 25, 2026', 'Nov 25', 'Wed, Nov 25, 2026, 14:30'],
    ['de-DE', '25. November 2026', '25. Nov.', 'Mi., 25. Nov. 2026, 14:30'],
    ['fr-FR', '25 novembre 2026', '25 nov.', 'mer. 25 nov. 2026, 14:30'],
    ['pl-PL', '25 listopada 2026', '25 lis', 'śr., 25 lis 2026, 14:30'],
  ])('%s', (language, long, short, whole) => {
    speaks(language);
    expect([day(afternoon), shortDay(afternoon, now), momentWords(afternoon)]).toEqual([long, short, whole]);
    expect(timeOfDay(afternoon)).toBe('14:30');
    expect(read(whole), 'what is shown can be typed again').toBe('2026 11 25 14 30');
    expect(read(`${long} 14:30`)).toBe('2026 11 25 14 30');
  });
});

describe('a moment that is typed', () => {
  it.each([
    ['en-GB', '2027-05-01 10:30', '2027 5 1 10 30'],
    ['en-GB', '2027-05-01T10:30', '2027 5 1 10 30'],
    ['en-GB', '1/5/2027 9:05', '2027 5 1 9 5'],
    ['en-US', '5/1/2027 9:05', '2027 5 1 9 5'],
    ['de-DE', '1.5.2027, 9.05', '2027 5 1 9 5'],
    ['de-DE', '1. Mai 2027', '2027 5 1 0 0'],
    ['de-DE', '3 March 2027 18:00', '2027 3 3 18 0'],
    ['en-GB', '3 Dec 8:00', '2026 12 3 8 0'],
    ['en-GB', '1 Dec 8:00', '2027 12 1 8 0'],
    ['en-GB', '2 Dec', '2026 12 2 0 0'],
    ['en-GB', 'May 1 2027, 23:59', '2027 5 1 23 59'],
    ['fr-FR', '1er mai 2027 14h30', '2027 5 1 14 30'],
    ['en-GB', '29 Feb 2028', '2028 2 29 0 0'],
    ['en-GB', '29 Feb 2027', null],
    ['en-GB', '31/4/2027', null],
    ['en-GB', '5/13/2027', null],
    ['en-GB', '1 May 2027 24:10', null],
    ['en-GB', '1 May 2027 10:70', null],
    ['en-GB', 'May 2027', null],
    ['en-GB', '1 2 3 2027', null],
    ['en-GB', 'soon', null],
    ['en-GB', '14:30', null],
    ['en-GB', '', null],
  ])('%s: “%s” is %s', (language, typed, expected) => {
    speaks(language);
    expect(read(typed)).toBe(expected);
  });
});
