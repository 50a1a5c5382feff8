import { cleanup, screen } from '@testing-library/react';
import { afterEach, describe, expect, it } from 'vitest';
import type { Schema } from '../../../src/api/client';
import OpeningPage from '../../../src/areas/delivery/beforehand/OpeningPage';
import { openingSentences } from '../../../src/areas/delivery/beforehand/openingWords';
import { at, Served, settled } from '../../served';
import { press } from '../../written';

type Opening = Schema['Opening'];
afterEach(cleanup);

const rungs = (atOnce: Schema['Rung'], closed: Schema['Rung'] = atOnce): Schema['Rungs'] => ({ atOnce, closed });
const offer = (more: Partial<Schema['Offer']> = {}): Schema['Offer'] => ({
  edition: 3,
  bank: 'Hives',
  running: null,
  title: 'A morning',
  questions: 5,
  fewest: 5,
  seconds: 600,
  timed: false,
  pass: null,
  minimums: 0,
  sittingsLeft: 1,
  opens: null,
  closes: null,
  ...more,
});
const stakes = (more: Partial<Opening['stakes']> = {}): Opening['stakes'] => ({
  graded: true,
  late: [],
  wrong: null,
  blank: null,
  later: null,
  hint: null,
  ...more,
});
const opening = (more: Partial<Opening> = {}): Opening => ({
  offer: offer(),
  page: null,
  moving: ['forward only'],
  feedback: ['at the end'],
  clocks: ['whole'],
  runningOut: ['as it stands'],
  endsAtClosing: true,
  stakes: stakes(),
  review: { passed: rungs('total'), notPassed: null },
  pages: {},
  media: {},
  ...more,
});

describe('before it begins', () => {
  it.each<[string, Partial<Opening>, string]>([
    ['there is no way back', {}, 'once you go on, a question cannot be come back to'],
    ['any order', { moving: ['any order'] }, 'in any order, and come back to'],
    ['some parts this way, some that', { moving: ['any order', 'forward only'] }, 'in others the way leads only forward'],
    ['nothing is told before the end', {}, 'Nothing is marked before you hand in'],
    ['each attempt', { feedback: ['after each attempt'] }, 'told at once what it came to'],
    ['the last attempt', { feedback: ['after the last attempt'] }, 'told after the last attempt'],
    ['time runs out', {}, 'your paper is handed in as it is; what you have entered counts.'],
    ['time runs out and drops', { runningOut: ['unanswered'] }, 'what you have entered and not checked does not count.'],
    [
      'and drops in some parts',
      { runningOut: ['as it stands', 'unanswered'] },
      'in some parts what you have entered and not checked does not',
    ],
    ['a part runs out', { clocks: ['section'] }, 'its other questions are left behind'],
    ['a question runs out', { stakes: stakes({ late: ['wrong'] }) }, 'it counts as wrong, whatever was entered'],
    ['a question runs out and is marked', { stakes: stakes({ late: ['marks'] }) }, 'what you have entered is marked'],
    ['questions differ', { stakes: stakes({ late: ['marks', 'blank'] }) }, 'it is told what becomes'],
    ['it closes', { offer: offer({ closes: '2026-12-01T10:00:00Z' }) }, 'When it closes, whoever still sits is handed in'],
    ['a wrong answer costs', { stakes: stakes({ wrong: { all: true, points: '1' } }) }, 'A wrong answer costs 1 point.'],
    ['some cost', { stakes: stakes({ wrong: { all: false, points: null } }) }, 'A wrong answer to some of the questions costs points.'],
    ['a blank costs', { stakes: stakes({ blank: { all: false, points: '0.5' } }) }, 'Some of the questions, left blank, cost 0.5 points.'],
    ['a later attempt costs', { stakes: stakes({ later: { all: true, points: '2' } }) }, 'Each attempt after the first costs 2 points.'],
    ['nothing is marked', { stakes: stakes({ graded: false }) }, 'Afterwards you see no result.'],
    ['told in some parts', { feedback: ['never', 'after each attempt'] }, 'in others only at the end'],
    [
      'one sees the same, passed or not',
      { review: { passed: rungs('total'), notPassed: rungs('total') } },
      'Afterwards you see the points.',
    ],
    ['not the same', { review: { passed: rungs('marked paper'), notPassed: rungs('nothing') } }, 'who does not sees no result'],
    [
      'more once it has closed',
      { offer: offer({ closes: '2026-12-01T10:00:00Z' }), review: { passed: rungs('total', 'own paper'), notPassed: null } },
      'the points, and once it has closed the points and your answers',
    ],
    ['without a closing time there is no more', { review: { passed: rungs('total', 'own paper'), notPassed: null } }, 'see the points.'],
  ])('%s', (_, more, words) => {
    expect(openingSentences(opening(more)).join(' ')).toContain(words);
  });

  const candidate = { id: 4, login: 'carrow', name: 'J. Carrow', role: 'candidate' } as Schema['Account'];
  const open = async (told: Opening, of: 'edition' | 'blueprint' = 'edition') => {
    const served = new Served({
      [`GET /${of}s/{id}/opening`]: told,
      'POST /editions/{id}/sittings': { id: 9 },
      'GET /blueprints/{id}': { id: 3, bank: { id: 1, name: 'Hives' } },
    });
    await at(`/${of}s/3/opening`, `/${of}s/:id/opening`, <OpeningPage account={candidate} of={of} />);
    await settled();
    return served;
  };

  it('its page is read, and the clock starts with a press', async () => {
    const served = await open(opening({ page: 'welcome', pages: { welcome: { heading: 'Welcome', reads: 'Take your time.' } } }));
    expect(document.body.textContent).toContain('Take your time.');
    expect(document.body.textContent).toContain('The clock starts with “Begin”.');
    expect(served.asked('POST', '/editions/{id}/sittings')).toEqual([]);
    press(/^Begin /);
    await settled();
    expect(served.asked('POST', '/editions/{id}/sittings')).toHaveLength(1);
  });

  it('nothing begins before it opens, or with no sitting left', async () => {
    await open(opening({ offer: offer({ opens: '2030-01-01T10:00:00Z' }) }));
    expect(screen.queryByRole('button', { name: /^Begin/ })).toBeNull();
    cleanup();
    await open(opening({ offer: offer({ sittingsLeft: 0 }) }));
    expect(screen.queryByRole('button', { name: /^Begin/ })).toBeNull();
  });

  it('its author sees it too, on the way to a rehearsal', async () => {
    await open(opening({ offer: offer({ edition: null }) }), 'blueprint');
    expect(document.body.textContent).toContain('Rehearsal: A morning');
    expect(document.body.textContent).toContain('Back to the blueprint');
  });
});
