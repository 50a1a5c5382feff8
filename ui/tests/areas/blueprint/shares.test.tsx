import { cleanup, screen } from '@testing-library/react';
import { afterEach, describe, expect, it } from 'vitest';
import { Shares } from '../../../src/areas/blueprint/margin/Shares';
import { blueprintOf, documentOf, planning } from '../../planned';
import { pick, typeOver } from '../../written';

afterEach(cleanup);

const text = () => document.body.textContent;

describe('shares of the points', () => {
  const share = (objective: string, least: string, most: string, more: object = {}) => ({
    objective,
    least,
    most,
    wished: null,
    fits: true,
    ...more,
  });
  const shown = (shares: object[], first = documentOf([])) =>
    planning(first, (now, onChange) => (
      <Shares blueprint={blueprintOf({}, { shares })} document={now} readOnly={false} onChange={onChange} />
    ));

  it('are wished, held against what forms have, and no longer wished', async () => {
    const { now } = await shown([share('Lamps', '60', '60'), share('Boats', '40', '40')]);
    typeOver('Share wished for Boats, in percent', '25 %');
    expect(now().shares).toEqual([{ objective: 'Boats', percent: '25' }]);
    pick('A share wished for another objective', 'Lamps › Wicks');
    expect(now().shares?.map(({ objective }) => objective)).toEqual(['Boats', 'Lamps > Wicks']);
    typeOver('Share wished for Boats, in percent', 'none');
    expect(now().shares?.map(({ objective }) => objective)).toEqual(['Lamps > Wicks']);
  });

  it.each([
    [share('Lamps', '60', '66.7', { wished: '50', fits: false }), '60–66.7 %, 10 too much'],
    [share('Lamps', '20', '20', { wished: '50', fits: false }), '20 %, 30 too little'],
    [share('Lamps', '50', '50', { wished: '50' }), '50 %'],
  ])('say how far they are from the wish', async (one, words) => {
    await shown([one]);
    expect(screen.getAllByRole('cell')[0]?.textContent).toBe(words);
  });

  it('are refused beyond the whole, and counted together', async () => {
    const wished = [
      { objective: 'Lamps', percent: '70' },
      { objective: 'Boats', percent: '40' },
    ];
    const { now } = await shown([share('Lamps', '60', '60', { wished: '70' })], { ...documentOf([]), shares: wished });
    expect(text()).toContain('Together 110 % are wished: more than the whole.');
    typeOver('Share wished for Lamps, in percent', '101');
    expect(text()).toContain('a share from 0 to 100 %');
    expect(now().shares).toEqual(wished);
  });

  it('say nothing where one objective has them all and none is wished', async () => {
    await shown([share('Lamps', '100', '100')]);
    expect(screen.queryByRole('table')).toBeNull();
  });
});
