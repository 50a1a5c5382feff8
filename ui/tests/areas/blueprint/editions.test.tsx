import { cleanup, screen, within } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { type Differences, differenceWords } from '../../../src/areas/blueprint/editions/differing';
import { Differing } from '../../../src/areas/blueprint/editions/Differing';
import { Editions } from '../../../src/areas/blueprint/editions/Editions';
import { blueprintOf } from '../../planned';
import { at, Served, settled } from '../../served';
import { press } from '../../written';

afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
});

type Difference = Differences['plan'][number];
const none = { count: 0, few: [] };
const differing = (more: Partial<Differences> = {}): Differences => ({
  from: 1,
  to: null,
  plan: [],
  problem: null,
  questions: { in: none, out: none, changed: none, worth: none },
  ...more,
});
const one = (id: number, words: string) => ({ count: 1, few: [{ id, words, old: '5', new: '7' }] });

describe('what differs is said as an author says it', () => {
  const cases: [Difference['sort'], string | null, string, string | null, string | null, string][] = [
    ['title', null, 'title', 'Paper', 'Papers', 'title: Paper → Papers'],
    ['rule', null, 'mustAnswer', null, 'yes', 'leaving blank: none → yes'],
    ['rule', '“The hive”', 'time', '10 min', null, '“The hive”, time: 10 min → none'],
    ['setting', 'question “eggs”', 'attempts', '2', '3', 'question “eggs”, attempts: 2 → 3'],
    ['pass mark', null, 'pass', '60 %', '65 %', 'pass mark: 60 % → 65 %'],
    ['minimum', null, 'Hive', null, '40 %', 'at least in Hive: none → 40 %'],
    ['tally', null, 'calm', null, 'hasty to 4', 'tally calm: none → hasty to 4'],
    ['step', null, 'step', null, '2 of Hive: one', 'put in: 2 of Hive: one'],
    ['step', null, 'step', 'page “welcome”', null, 'taken out: page “welcome”'],
    ['step', null, 'step', '2 of Hive', '3 of Hive', '2 of Hive → 3 of Hive'],
    ['section', null, 'section', null, '', 'put in: a section without a title'],
    ['section', null, 'section', 'A', 'B', 'section “A” → section “B”'],
    ['order', null, 'steps', null, null, 'the steps stand in another order'],
    ['order', '“A”', 'steps', 'as written', 'mixed', 'steps of “A”: mixed'],
    ['other', 'checkpoint', 'checkpoint', null, null, 'checkpoint: its routes changed'],
    ['other', null, 'review', null, null, 'what is seen afterwards changed'],
  ];
  it.each(cases)('%s %s %s %s %s', (sort, where, what, old, now, words) => {
    expect(differenceWords({ sort, where, what, old, new: now })).toBe(words);
  });
});

it('questions that differ are named, and of many how many more there are', async () => {
  const questions = { in: { count: 14, few: one(7, 'wax').few }, out: none, changed: one(8, 'eggs'), worth: one(9, 'mites') };
  await at('/', '/', <Differing bank={1} differences={differing({ questions })} />);
  expect(screen.getAllByRole('listitem').map((li) => li.textContent)).toEqual([
    '14 questions more: wax and 13 more',
    '1 question reads otherwise: eggs',
    '1 question counts otherwise: mites (5 → 7)',
  ]);
  expect(screen.getByRole('link', { name: 'wax' }).getAttribute('href')).toBe('/banks/1/questions/7');
});

describe('freezing', () => {
  const edition = (number: number, more: object = {}) => ({
    id: number,
    number,
    title: 'Paper',
    frozenAt: '2026-01-01T00:00:00Z',
    frozenBy: 'M. Orrell',
    withdrawn: false,
    closed: false,
    begun: 0,
    ...more,
  });
  const show = (editions: object[]) =>
    at('/', '/', <Editions blueprint={blueprintOf({ editions, candidates: 3 })} versionRef={{ current: 1 }} busy={false} />);

  it('says beforehand what the next edition brings', async () => {
    const { asked } = new Served({ 'GET /blueprints/{id}/differences': { differences: differing({ questions: { in: one(7, 'wax'), out: none, changed: none, worth: none } }) } }); // prettier-ignore
    await show([edition(1)]);
    expect(asked('GET', '/blueprints/{id}/differences')).toEqual([]);
    press('Freeze edition 2 …');
    await settled();
    expect(screen.getByRole('alert').textContent).toContain('Since edition 1:');
    expect(within(screen.getByRole('alert')).getByRole('listitem').textContent).toBe('1 question more: wax');
  });

  it('lists the last editions, each with what became of it, and all on request', async () => {
    new Served({});
    await show([edition(5, { withdrawn: true }), edition(4, { begun: 2 }), edition(3), edition(2, { closed: true }), edition(1)]);
    const lines = () => [...screen.getByRole('list', { name: 'Editions' }).children].map((li) => li.textContent);
    expect(lines()).toEqual([
      'Edition 5 withdrawn · nobody has begun it',
      'Edition 4 in use · 2 candidates have begun itresults',
      'Edition 3 before · nobody has begun it',
    ]);
    press('all 5 editions');
    expect(lines()).toHaveLength(5);
  });
});
