import { cleanup, fireEvent, screen } from '@testing-library/react';
import { afterEach, describe, expect, it } from 'vitest';
import type { CheckpointStep, Condition } from '../../src/areas/blueprint/document';
import { holds, reaching } from '../../src/areas/blueprint/running/route/reaching';
import { ReachedWith, RehearseFrom } from '../../src/areas/blueprint/running/route/RehearseFrom';
import { blueprintOf, documentOf } from '../planned';
import { at, Served, settled } from '../served';
import { press, write } from '../written';

afterEach(cleanup);

const text = () => document.body.textContent;
const points = (is: '>=' | '>' | '<=' | '<' | '=', value: string): Condition => ({ points: 'all', is, value });
const percent = (value: string): Condition => ({ percent: 'all', is: '>=', value });
const tally = (is: '>=' | '<', value: string): Condition => ({ tally: 'calm', is, value });
const ways = (...whens: Condition[]): CheckpointStep['checkpoint'] => ({ routes: whens.map((when) => ({ when, to: 'end' })) });

describe('with what each route is reached', () => {
  it.each<[string, CheckpointStep['checkpoint'], (string | null)[]]>([
    ['by points', ways(points('>=', '13'), points('>=', '5')), ['13', '5', '0']],
    ['more and fewer', ways(points('>', '13'), points('<', '5')), ['14', '0', '5']],
    ['exactly, and between', ways(points('=', '7'), { points: 'all', is: 'between', value: ['3', '5'] }), ['7', '3', '0']],
    ['by percent', ways(percent('50')), ['10', '0']],
    ['more than there are', ways(points('>=', '99')), [null, '0']],
    ['one that comes too late', ways(points('>=', '5'), points('>=', '8')), ['5', null, '0']],
    ['one that always holds', ways(points('>=', '0')), ['0', null]],
    ['by a tally', ways(tally('>=', '4')), ['0 calm 4', '0 calm 0']],
    ['by both', ways({ all: [points('>=', '6'), tally('<', '0')] }), ['6 calm -1', '0 calm 0']],
    ['either', ways({ any: [points('>=', '6'), { not: points('>=', '1') }] }), ['0', '1']],
    ['by an answer alone', ways({ chosen: 'trim', choice: 2 }, { outcome: 'trim', is: ['wrong'] }), [null, null, '0']],
    ['by points in some questions', ways({ points: { questions: ['trim'] }, is: '>=', value: '1' }), [null, '0']],
  ])('%s', (_, checkpoint, expected) => {
    const told = reaching(checkpoint, 20).map(
      (one) => one && [String(one.earned), ...Object.entries(one.tallies).map(([name, value]) => `${name} ${value}`)].join(' '),
    );
    expect(told).toEqual(expected);
  });

  it('every value that is told takes its route, and no other', () => {
    const checkpoint = ways(points('<', '4'), percent('80'), tally('>=', '3'), { not: points('=', '9') });
    const routes = checkpoint.routes ?? [];
    reaching(checkpoint, 20).forEach((assumed, i) => {
      if (!assumed) return;
      const taken = routes.findIndex(({ when }) => holds(when, assumed));
      expect(taken).toBe(i < routes.length ? i : -1);
    });
  });
});

describe('a rehearsal from the middle', () => {
  const begun = (served: Served) => served.asked('POST', '/blueprints/{id}/rehearsals').map(({ body }) => body);
  const blueprint = blueprintOf({}, { before: { c1: { fewest: 2, many: 2, least: '20', most: '20' } } });

  it('begins at a route of a checkpoint', async () => {
    const served = new Served({ 'POST /blueprints/{id}/rehearsals': { id: 9 } });
    await at(
      '/',
      '/',
      <ReachedWith blueprint={blueprint} step={{ id: 'c1', checkpoint: ways(points('>=', '15'), { chosen: 'trim', choice: 1 }) }} />,
    );
    expect(text()).toContain('route 115 of 20 points');
    expect(text()).toContain('reached by what was answered, or never');
    expect(screen.queryByRole('button', { name: 'Rehearse route 2 from here' })).toBeNull();
    press('Rehearse route 1 from here');
    await settled();
    expect(begun(served)).toEqual([{ from: 'c1', assumed: { earned: '15', max: '20', tallies: {} } }]);
  });

  it('begins at any step, with points and tallies that are typed', async () => {
    const served = new Served({ 'POST /blueprints/{id}/rehearsals': { id: 9 } });
    const plan = { ...documentOf([]), tallies: [{ name: 'calm' }] };
    await at('/', '/', <RehearseFrom blueprint={blueprint} document={plan} step="q7" />);
    press('rehearse from here …');
    write('Points so far', '1,5');
    write('Points asked so far', 'x');
    expect(text()).toContain('Points are numbers, tallies whole ones.');
    write('Points asked so far', '4');
    fireEvent.change(screen.getByLabelText(/calm/), { target: { value: '-2' } });
    press('Rehearse');
    await settled();
    expect(begun(served)).toEqual([{ from: 'q7', assumed: { earned: '1.5', max: '4', tallies: { calm: -2 } } }]);
  });
});
