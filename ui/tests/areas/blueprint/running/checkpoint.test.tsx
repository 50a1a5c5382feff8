import { cleanup, fireEvent, screen } from '@testing-library/react';
import { afterEach, describe, expect, it } from 'vitest';
import type { Document, Step } from '../../../../src/areas/blueprint/document';
import { RunningOrder } from '../../../../src/areas/blueprint/running/RunningOrder';
import { blueprintOf, documentOf, planning } from '../../../planned';
import { pick, press, typeOver } from '../../../written';

afterEach(cleanup);

const trim: Step = { id: 'q1', question: 'trim' };
const page: Step = { id: 'p1', page: 'care' };
const point: Step = { id: 'c1', checkpoint: { routes: [{ when: { points: 'all', is: '>=', value: '3' }, to: 'p1' }] } };
const last: Step = { id: 'q9', question: 'wick' };
const text = () => document.body.textContent;
const order = (document: Document, blueprint = blueprintOf()) =>
  planning(document, (now, onChange) => <RunningOrder blueprint={blueprint} document={now} readOnly={false} onChange={onChange} />);

describe('a checkpoint', () => {
  const at = (when: object = { points: 'all', is: '>=', value: '3' }): Document => ({
    ...documentOf([trim, { ...point, checkpoint: { routes: [{ when, to: 'p1' }] } } as Step, last, page]),
    tallies: [{ name: 'patience' }],
  });
  const shown = async (document = at()) => {
    const planned = await order(document, blueprintOf({}, { before: { c1: { fewest: 1, many: 1, least: '2', most: '5' } } }));
    fireEvent.click(screen.getByRole('button', { name: /^checkpoint:/, expanded: false }));
    return {
      ...planned,
      when: () => (planned.steps()[1] as typeof point & { checkpoint: { routes: { when: object }[] } }).checkpoint.routes[0]?.when,
    };
  };

  it('says what may have been asked until then, and has routes, an otherwise, and is told or not', async () => {
    const { steps } = await shown();
    expect(text()).toContain('Until here 2 to 5 points can have been asked.');
    press('Another condition');
    pick('Where route 2 leads', 'step 3, wick');
    press('look at it earlier');
    pick('Where it leads otherwise', 'the end');
    pick('Whether it is announced', 'are told which way they go');
    const first = { when: { points: 'all', is: '>=', value: '1' }, to: 'q9' };
    const second = { when: { points: 'all', is: '>=', value: '3' }, to: 'p1' };
    expect(steps()[1]).toEqual({ id: 'c1', checkpoint: { routes: [first, second], otherwise: 'end', announced: true } });
    press('Take route 1 out');
    pick('Where it leads otherwise', 'what follows');
    pick('Whether it is announced', 'do not see it');
    expect(steps()[1]).toEqual({ id: 'c1', checkpoint: { routes: [second] } });
  });

  it.each<[string, () => void, object]>([
    ['another value', () => typeOver('Value', '4,5'), { points: 'all', is: '>=', value: '4.5' }],
    ['another sign', () => pick('How it compares', 'less than'), { points: 'all', is: '<', value: '3' }],
    ['two ends', () => pick('How it compares', 'from … to'), { points: 'all', is: 'between', value: ['3', '3'] }],
    ['percent', () => pick('What is looked at', 'percent'), { percent: 'all', is: '>=', value: '3' }],
    ['a section', () => pick('Of what', 'in “Part 1”'), { points: { section: 's1' }, is: '>=', value: '3' }],
    ['some questions', () => pick('Of what', 'in these questions'), { points: { questions: ['trim'] }, is: '>=', value: '3' }],
    ['a tally', () => pick('What is looked at', 'a tally'), { tally: 'patience', is: '>=', value: '3' }],
    ['an outcome', () => pick('What is looked at', 'what came of a question'), { outcome: 'trim', is: ['right'] }],
    ['a choice', () => pick('What is looked at', 'a choice made'), { chosen: 'trim', choice: 1 }],
    ['the opposite', () => pick('What is looked at', 'not'), { not: { points: 'all', is: '>=', value: '3' } }],
    [
      'two things',
      () => pick('What is looked at', 'all of these'),
      {
        all: [
          { points: 'all', is: '>=', value: '3' },
          { points: 'all', is: '>=', value: '3' },
        ],
      },
    ],
  ])('asks by choosing: %s', async (_, choose, expected) => {
    const { when } = await shown();
    choose();
    expect(when()).toEqual(expected);
  });

  it('asks which outcome, which choice, and between which values', async () => {
    const { when } = await shown(at({ outcome: 'trim', is: ['right'] }));
    pick('Which outcome', 'wrong or partly right');
    expect(when()).toEqual({ outcome: 'trim', is: ['wrong', 'partly right'] });
    cleanup();
    const choice = await shown(at({ chosen: 'trim', choice: 1 }));
    pick('Which choice', 'B (Long)');
    expect(choice.when()).toEqual({ chosen: 'trim', choice: 2 });
    cleanup();
    const between = await shown(at({ points: 'all', is: 'between', value: ['1', '2'] }));
    typeOver('From', '0');
    typeOver('To', '7');
    expect(between.when()).toEqual({ points: 'all', is: 'between', value: ['0', '7'] });
  });

  it('joins parts, takes them out again, and is without not', async () => {
    const one = { points: 'all', is: '>=', value: '3' };
    const joined = await shown(at({ any: [one, { tally: 'patience', is: '>=', value: '1' }] }));
    press('one more');
    expect((joined.when() as { any: object[] }).any).toHaveLength(3);
    press('Take part 3 out');
    press('Take part 2 out');
    expect(joined.when()).toEqual(one);
    cleanup();
    const not = await shown(at({ not: one }));
    press('without not');
    expect(not.when()).toEqual(one);
  });

  it('keeps at least one question that is counted', async () => {
    const { when } = await shown(at({ points: { questions: ['trim', 'gone'] }, is: '>=', value: '3' }));
    pick('Counted: gone', 'not this one');
    expect(when()).toEqual({ points: { questions: ['trim'] }, is: '>=', value: '3' });
  });
});
