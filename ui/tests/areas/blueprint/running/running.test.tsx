import { act, cleanup, fireEvent, screen } from '@testing-library/react';
import { afterEach, describe, expect, it } from 'vitest';
import type { Document, Step } from '../../../../src/areas/blueprint/document';
import { RunningOrder } from '../../../../src/areas/blueprint/running/RunningOrder';
import { asked, blueprintOf, documentOf, planning } from '../../../planned';
import { settled } from '../../../served';
import { key, pick, press, typeOver, write } from '../../../written';

afterEach(cleanup);

const trim: Step = { id: 'q1', question: 'trim' };
const page: Step = { id: 'p1', page: 'care' };
const draw: Step = { id: 'd1', draw: { take: 2, pool: { objective: 'Lamps', kinds: ['one'] } } };
const last: Step = { id: 'q9', question: 'wick' };

const order = (document: Document, blueprint = blueprintOf(), readOnly = false) =>
  planning(document, (now, onChange) => <RunningOrder blueprint={blueprint} document={now} readOnly={readOnly} onChange={onChange} />);
const open = (words: string) => fireEvent.click(screen.getByRole('button', { name: words, expanded: false }));
const text = () => document.body.textContent;

describe('the running order', () => {
  it('tells each step with its worth, what falls short, and what cannot be sat', async () => {
    const proof = {
      steps: { d1: asked(2, '4', { fit: 1, most: '6' }), q1: asked(1, '2') },
      shortage: { draws: [1], steps: [], ask: 2, fit: 1, words: '' },
    };
    await order(
      documentOf([trim, draw], [page]),
      blueprintOf({ findings: [{ where: 'p1', subject: 'reach', message: 'no way comes to this step' }] }, proof),
    );
    expect(text()).toContain('How is it trimmed?');
    expect(text()).toContain('take 2 of Lamps: one 1 fit4 to 6');
    expect(text()).toContain('care page');
    expect(text()).toContain('no way comes to this step');
    expect(text()).toContain('Part 2');
  });

  it('takes steps that are typed, one behind the other, and leaves with Escape', async () => {
    const { steps } = await order({ v: 2, title: 'T', sections: [{ id: 's1', steps: [] }] });
    press('Put in the first step');
    await settled();
    write('The next step', '3 of wicks, one');
    key('The next step', 'Enter');
    write('The next step', 'smo');
    key('The next step', 'ArrowDown');
    key('The next step', 'Enter');
    expect(steps()).toEqual([
      { id: 'd1', draw: { take: 3, pool: { objective: 'Lamps > Wicks', kinds: ['one'] } } },
      { id: 'p1', page: 'smoke' },
    ]);
    write('The next step', 'oil');
    await settled(400);
    fireEvent.click(screen.getByRole('option', { name: /Which oil/ }));
    expect(steps().at(-1)).toEqual({ id: 'q1', question: 'q9' });
    key('The next step', 'Escape');
    expect(screen.queryByLabelText('The next step')).toBeNull();
  });

  it('begins a section, and says what to write where nothing fits', async () => {
    const { now } = await order(documentOf([trim, page]));
    key('Step 1: How is it trimmed?', '+');
    write('The next step', 'section Evening');
    key('The next step', 'Enter');
    expect(now().sections.map(({ title, steps }) => [title, steps.length])).toEqual([
      ['Part 1', 1],
      ['Evening', 1],
    ]);
    write('The next step', '3 of nothing');
    await settled(300);
    expect(text()).toContain('No objective, kind or pool is called so.');
  });

  it('opens a checkpoint that is put in, since it asks nothing yet', async () => {
    const { steps } = await order(documentOf([trim, page]));
    key('Step 1: How is it trimmed?', 'Insert');
    write('The next step', 'check');
    key('The next step', 'Enter');
    expect(text()).toContain('Nothing is asked here yet');
    press('Put in a condition');
    expect(steps()[1]).toEqual({ id: 'c1', checkpoint: { routes: [{ when: { points: 'all', is: '>=', value: '1' }, to: 'end' }] } });
  });

  it.each<[string, string, object, string[]]>([
    ['up', 'ArrowUp', { altKey: true }, ['p1', 'q1', 'd1']],
    ['down', 'ArrowDown', { altKey: true }, ['q1', 'd1', 'p1']],
    ['as a copy', 'd', { ctrlKey: true }, ['q1', 'p1', 'p2', 'd1']],
    ['out', 'Delete', {}, ['q1', 'd1']],
    ['nowhere by other keys', 'x', {}, ['q1', 'p1', 'd1']],
  ])('moves a step %s by keys', async (_, pressed, more, expected) => {
    const { steps } = await order(documentOf([trim, page, draw]));
    key('Step 2: care', pressed, more);
    expect(steps().map(({ id }) => id)).toEqual(expected);
  });

  it('changes the order, the time and the title of a section, moves, copies and joins it', async () => {
    const { now } = await order(documentOf([trim], [page]));
    pick('Order in “Part 1”', 'mixed anew in each form');
    typeOver('Time for “Part 1”', '90s');
    fireEvent.click(screen.getAllByRole('button', { name: /^Title of the section: Part 1/ })[0] as HTMLElement);
    write('Title of the section', 'Morning');
    key('Title of the section', 'Enter');
    expect(now().sections[0]).toEqual({ id: 's1', title: 'Morning', order: 'mixed', time: '90 s', steps: [trim] });
    const more = (title: string, words: string) => {
      const button = screen.getByRole('button', { name: `More for the section “${title}”` });
      act(() => button.focus());
      fireEvent.keyDown(button, { key: 'Enter' });
      fireEvent.click(screen.getByRole('menuitem', { name: new RegExp(`^${words}`) }));
    };
    more('Part 2', 'move up');
    expect(now().sections.map(({ title }) => title)).toEqual(['Part 2', 'Morning']);
    key('More for the section “Part 2”', 'ArrowDown', { altKey: true });
    expect(now().sections.map(({ title }) => title)).toEqual(['Morning', 'Part 2']);
    key('More for the section “Part 2”', 'ArrowUp', { altKey: true });
    more('Part 2', 'copy with its steps');
    expect(now().sections).toHaveLength(3);
    more('Morning', 'let its steps join the section before');
    expect(now().sections.map(({ steps }) => steps.length)).toEqual([1, 2]);
  });

  it('is only read by who may not edit', async () => {
    await order(documentOf([trim, draw]), blueprintOf(), true);
    expect(screen.queryByRole('button', { name: /^Step 1/ })).toBeNull();
    expect(text()).not.toContain('put in a step');
    open('take 2 of Lamps: one');
    expect(screen.queryByRole('button', { name: /change$/ })).toBeNull();
  });
});

describe('a step that is opened', () => {
  it('says what a draw takes from', async () => {
    const { steps } = await order(documentOf([draw]));
    open('take 2 of Lamps: one');
    await settled();
    typeOver('How many are taken', '0');
    expect(screen.getByRole('alert').textContent).toContain('at least 1');
    key('How many are taken', 'Escape');
    typeOver('How many are taken', '4');
    pick('What lies below', 'but not what lies below it');
    pick('Kind of the draw, one more', 'claim');
    pick('Difficulty of the draw, one more', 'hard');
    typeOver('Tags of the draw', 'spring, evening');
    pick('Pool of the draw', 'in the pool “Swarms” (3)');
    pick('How they stand', 'mixed with those of the section’s other mixed draws');
    const pool = {
      objective: 'Lamps',
      kinds: ['one', 'claim'],
      below: false,
      difficulty: ['hard'],
      tags: ['spring', 'evening'],
      in: 'Swarms',
    };
    expect(steps()[0]).toEqual({ id: 'd1', draw: { take: 4, pool, place: 'mixed' } });
    pick('Objective of the draw', 'any objective');
    typeOver('Tags of the draw', 'anything');
    pick('Difficulty of the draw', 'not this one');
    expect(steps()[0]).toMatchObject({ draw: { pool: { kinds: ['one', 'claim'], in: 'Swarms' } } });
  });

  it('picks questions by hand, in and out', async () => {
    const { steps } = await order(documentOf([draw]));
    open('take 2 of Lamps: one');
    press('pick questions by hand');
    write('Find questions to pick', 'oil');
    await settled(400);
    press('without these: Which oil?');
    press('these as well: Which oil?');
    expect(steps()[0]).toMatchObject({ draw: { pool: { without: ['q9'], also: ['q9'] } } });
    press('let it fit again: q9');
    expect(steps()[0]).toEqual({ id: 'd1', draw: { take: 2, pool: { objective: 'Lamps', kinds: ['one'], also: ['q9'] } } });
  });

  it('says marks, attempts and time, and lets the question say them again', async () => {
    const { steps } = await order(documentOf([trim]), blueprintOf({}, { steps: { q1: asked(1, '2') } }));
    open('How is it trimmed?');
    expect(text()).toContain('Worth 2 points, as the question says');
    typeOver('Points here', '2,5');
    pick('Say more here', 'attempts');
    typeOver('attempts', 'some');
    expect(screen.getByRole('alert').textContent).toBe('from 1 to 99, or unlimited');
    key('attempts', 'Escape');
    typeOver('attempts', '3');
    pick('Say more here', 'answers shuffled:');
    pick('answers shuffled:', 'yes');
    pick('Say more here', 'must be answered');
    expect(steps()[0]).toEqual({ ...trim, settings: { points: '2.5', attempts: '3', shuffle: 'yes' }, rules: { mustAnswer: true } });
    press('attempts: as the question says');
    pick('answers shuffled:', 'as the question says');
    press('as the question says');
    pick('Whether it may be left blank', 'as the rules say');
    expect(steps()[0]).toEqual(trim);
  });

  it('leads to a refresher and back, or to none', async () => {
    const { steps } = await order(documentOf([trim]));
    open('How is it trimmed?');
    await settled();
    pick('The refresher here', 'care');
    pick('Another page of the refresher', 'smoke');
    typeOver('Rounds of the refresher', '2');
    pick('Which round counts', 'best');
    expect(steps()[0]).toEqual({ ...trim, refresher: { pages: ['care', 'smoke'], rounds: 2, stands: 'best' } });
    pick('Page 2 of the refresher', 'not this one');
    typeOver('Rounds of the refresher', '1');
    pick('Which round counts', 'last');
    expect(steps()[0]).toEqual({ ...trim, refresher: { pages: ['care'] } });
    pick('The refresher here', 'no refresher');
    expect(steps()[0]).toEqual({ ...trim, refresher: null });
    pick('The refresher here', 'as the question says');
    expect(steps()[0]).toEqual(trim);
  });

  it('leads on by its choices, forward only', async () => {
    const { steps } = await order(documentOf([trim, page, last]));
    open('How is it trimmed?');
    await settled();
    fireEvent.click(screen.getByText('where its choices lead'));
    pick('The page that A \\(Short\\) leads to', 'smoke');
    pick('Where A \\(Short\\) leads', 'step 3, wick');
    expect(steps()[0]).toEqual({ ...trim, leads: { 1: { page: 'smoke', then: 'q9' } } });
    pick('The page that A \\(Short\\) leads to', 'no page of its own');
    pick('Where A \\(Short\\) leads', 'what follows');
    expect(steps()[0]).toEqual(trim);
  });

  it('leads from a page to a later step or the end', async () => {
    const { steps } = await order(documentOf([page, trim]));
    open('care');
    pick('Where the page leads', 'the end');
    expect(steps()[0]).toEqual({ ...page, then: 'end' });
    pick('Where the page leads', 'what follows');
    expect(steps()[0]).toEqual(page);
  });
});
