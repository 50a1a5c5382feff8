import { cleanup, fireEvent, screen } from '@testing-library/react';
import { afterEach, describe, expect, it } from 'vitest';
import { PathsGrid } from '../../../../src/areas/blueprint/running/route/PathsGrid';
import { RehearseFrom } from '../../../../src/areas/blueprint/running/route/RehearseFrom';
import { blueprintOf, documentOf } from '../../../planned';
import { at, Served, settled } from '../../../served';
import { press, write } from '../../../written';

afterEach(cleanup);

const text = () => document.body.textContent;
describe('a rehearsal from the middle', () => {
  const begun = (served: Served) => served.asked('POST', '/blueprints/{id}/rehearsals').map(({ body }) => body);
  const blueprint = blueprintOf({}, { before: { c1: { fewest: 2, many: 2, least: '20', most: '20' } } });

  it('begins at any cell of the grid that tells with what each route is taken', async () => {
    const served = new Served({ 'POST /blueprints/{id}/rehearsals': { id: 9 } });
    const calm = (from: number | null, to: number | null, value: number) => ({ calm: { from, to, with: value } });
    const grid = {
      max: '20',
      points: [
        { from: '-1', to: '14.5' },
        { from: '15', to: '20' },
      ],
      columns: [calm(null, -1, -1), calm(0, null, 0)],
      cells: [
        [null, null],
        [1, 2],
      ],
      never: [3],
    };
    await at('/', '/', <PathsGrid blueprint={blueprintOf({}, { grids: { c1: grid } })} step="c1" />);
    expect(screen.getAllByRole('columnheader').map((th) => th.textContent)).toEqual([
      'of 20 points, with',
      'calm up to −1',
      'calm 0 and more',
    ]);
    expect(
      screen
        .getAllByRole('row')
        .slice(1)
        .map((row) => row.textContent),
    ).toEqual(['−1 to 14.5otherwiseotherwise', '15 to 20route 1route 2']);
    expect(text()).toContain('Route 3: by what was answered, or never.');
    press('Rehearse from here with 15 to 20 points, calm up to −1: route 1');
    press('Rehearse from here with −1 to 14.5 points, calm 0 and more: otherwise');
    await settled();
    expect(begun(served)).toEqual([
      { from: 'c1', assumed: { earned: '15', max: '20', tallies: { calm: -1 } } },
      { from: 'c1', assumed: { earned: '0', max: '20', tallies: { calm: 0 } } },
    ]);
  });

  it('tells where there would be too much to show, and nothing where there is no grid', async () => {
    await at('/', '/', <PathsGrid blueprint={blueprintOf({}, { grids: { c1: null } })} step="c1" />);
    expect(text()).toContain('more parts than can be shown here');
    cleanup();
    await at('/', '/', <PathsGrid blueprint={blueprintOf()} step="c1" />);
    expect(text()).toBe('');
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
