import { cleanup, screen } from '@testing-library/react';
import { afterEach, describe, expect, it } from 'vitest';
import type { Schema } from '../../../src/api/client';
import ReviewPage from '../../../src/areas/delivery/review/ReviewPage';
import { at, Served } from '../../served';
import { press } from '../../written';

const candidate = { id: 1, login: 'wren', name: 'B. Wren', role: 'candidate' } as Schema['Account'];
const text = () => document.body.textContent;

afterEach(cleanup);

describe('a review', () => {
  const question = {
    n: 1,
    objective: 'Colony life',
    kind: 'one',
    stem: 'Who lays?',
    answers: { choices: ['A drone', '*The queen*'], layout: null },
    given: { choose: [2] },
    atAnswers: [{ n: 2, outcome: 'right' }],
    response: [{ before: null, text: '*The queen*', typed: false }],
    picture: null,
    attempts: 1,
    outcome: 'right',
    earned: '10',
    max: '10',
    working: ['right: 10'],
    graded: true,
    said: ['She alone.'],
    key: [],
  };
  const review = (more: object = {}) => ({
    id: 2,
    title: 'Certificate',
    rehearsal: false,
    blueprint: null,
    rung: 'marked paper',
    closing: null,
    tallies: [],
    ranOut: false,
    byStaff: false,
    seconds: 607,
    passed: true,
    total: { earned: '85', max: '125', percent: '68', right: 10, asked: 15, pass: { percent: '60' } },
    objectives: [],
    minimums: [],
    route: [],
    questions: [question],
    pages: {},
    media: {},
    ...more,
  });
  const page = async (more: object = {}) => {
    new Served({ 'GET /sittings/{id}/review': review(more) });
    await at('/sittings/2/review', '/sittings/:id/review', <ReviewPage account={candidate} />);
  };

  it.each<[string, object, string[], string[]]>([
    [
      'with the page it closes with, and what a tally has come to',
      {
        closing: 'thanks',
        tallies: [
          { tally: 'patience', value: 7, band: 'steady', page: 'calm' },
          { tally: 'haste', value: 0, band: null, page: null },
          { tally: null, value: null, band: 'a calm hand', page: null },
        ],
        pages: { thanks: { heading: 'Thank you', reads: 'Come again.' }, calm: { heading: null, reads: 'You waited.' } },
      },
      ['Thank you', 'Come again.', 'patience 7: steady', 'You waited.', 'haste 0', 'a calm hand'],
      [],
    ],
    [
      'passed',
      {},
      ['Passed', '85 of 125 points, 68 % · 10 of 15 right · 60 % pass', 'handed in after 10 min 7 s', 'She alone.'],
      ['Not passed'],
    ],
    [
      'not passed, by points',
      { passed: false, total: { earned: '1', max: '1', percent: null, right: 0, asked: 1, pass: { points: '1' } } },
      ['Not passed', '1 of 1 point · 0 of 1 right · 1 point pass'],
      ['%'],
    ],
    ['out of time', { ranOut: true, passed: null }, ['time ran out; handed in with what was saved', 'Handed in'], ['Passed']],
    ['a rehearsal', { rehearsal: true }, ['Rehearsal, leaves no result'], ['Your paper']],
    ['told no more', { total: null, questions: [] }, ['The rules of this assessment show no more than this.'], ['of 125']],
    [
      'by objective',
      { objectives: [{ objective: 'Colony life', right: 2, asked: 3, earned: '-2.5', max: '30', percent: '0' }] },
      ['Colony life2 of 3−2.5 of 300'],
      ['at least'],
    ],
    [
      'by objective, with minimums met, missed and not asked for',
      {
        objectives: [{ objective: 'Colony life', right: 2, asked: 3, earned: '5', max: '30', percent: '16.6' }],
        minimums: [
          { objective: 'Colony life', needs: { percent: '40' }, met: false },
          { objective: 'Colony life > Brood', needs: { points: '2' }, met: true },
          { objective: 'Honey', needs: { points: '1' }, met: null },
        ],
      },
      ['16.640 %, not met', 'Colony life › Brood: at least 2 points, met', 'Honey: at least 1 point, nothing of it was asked'],
      [],
    ],
    [
      'with the right answer where it does not stand at a choice already',
      {
        questions: [
          {
            ...question,
            outcome: 'wrong',
            atAnswers: [
              { n: 1, outcome: 'wrong' },
              { n: 2, outcome: 'right' },
            ],
            key: [{ before: null, text: 'The queen, at a choice', typed: false }],
          },
          {
            ...question,
            n: 2,
            kind: 'groups',
            outcome: 'partly right',
            answers: { groups: ['Spring', 'Autumn'], items: ['Swarms', 'Ivy'] },
            given: { groups: { 1: '1', 2: '1' } },
            atAnswers: [
              { n: 1, outcome: 'right' },
              { n: 2, outcome: 'wrong' },
            ],
            key: [{ before: null, text: 'Autumn: Ivy', typed: false }],
          },
        ],
      },
      ['right: Autumn: Ivy'],
      ['at a choice'],
    ],
    [
      'with the way that was announced',
      {
        route: [
          { after: 'The call', to: 'The tree' },
          { after: 'The tree', to: null },
        ],
      },
      ['after “The call” to “The tree”, after “The tree” straight on.'],
      [],
    ],
  ])('%s', async (_, more, shown, hidden) => {
    await page(more);
    for (const words of shown) expect(text()).toContain(words);
    for (const words of hidden) expect(text()).not.toContain(words);
  });

  const asked = (...outcomes: (string | null)[]) => ({ questions: outcomes.map((outcome, i) => ({ ...question, n: i + 1, stem: `Stem ${i + 1}?`, outcome })) }); // prettier-ignore
  const stems = () => [...text().matchAll(/Stem (\d)/g)].map(([, n]) => n).join('');

  it('shows only what was not right, and all again', async () => {
    await page(asked('right', 'wrong', 'recorded', 'unanswered', 'partly right', 'out of time'));
    press('Show only the 4 not right');
    expect(stems()).toBe('2456');
    press('Show all 6');
    expect(stems()).toBe('123456');
  });

  it.each([
    ['all was right', asked('right', 'recorded')],
    ['nothing was right', asked('wrong', 'unanswered')],
    ['it is not told', asked(null, null)],
  ])('offers no narrowing where %s', async (_, more) => {
    await page(more);
    expect(stems()).toBe('12');
    expect(screen.queryByRole('button', { name: /^Show/ })).toBeNull();
  });
});
