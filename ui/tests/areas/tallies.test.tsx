import { cleanup } from '@testing-library/react';
import { afterEach, describe, expect, it } from 'vitest';
import { following, Tallies } from '../../src/areas/blueprint/margin/Tallies';
import { documentOf, planning } from '../planned';
import { settled } from '../served';
import { pick, press, typeOver } from '../written';

afterEach(cleanup);

describe('tallies', () => {
  it.each([
    [
      'the first and the last are open',
      [{ name: 'a', to: 4 }, { name: 'b' }],
      [
        { name: 'a', to: 4 },
        { name: 'b', from: 5 },
      ],
    ],
    [
      'each begins where the one before ends',
      [
        { name: 'a', to: 4 },
        { name: 'b', from: 1, to: 9 },
        { name: 'c', from: 2 },
      ],
      [
        { name: 'a', to: 4 },
        { name: 'b', from: 5, to: 9 },
        { name: 'c', from: 10 },
      ],
    ],
    [
      'one in between gets an end',
      [{ name: 'a', to: 4 }, { name: 'b' }, { name: 'c' }],
      [
        { name: 'a', to: 4 },
        { name: 'b', from: 5, to: 9 },
        { name: 'c', from: 10 },
      ],
    ],
    ['one is for any value', [{ name: 'a', from: 3, to: 4 }], [{ name: 'a' }]],
  ])('bands follow each other: %s', (_, bands, expected) => {
    expect(following(bands)).toEqual(expected);
  });

  it('are named, cut into bands with pages, and taken out', async () => {
    const { now } = await planning(documentOf([]), (document, onChange) => (
      <Tallies bank={1} document={document} readOnly={false} onChange={onChange} />
    ));
    await settled();
    typeOver('A new tally', 'patience');
    press('Another band of patience');
    press('Another band of patience');
    typeOver('The end of band 1', '4');
    typeOver('Name of band 1', 'hasty');
    pick('The page of band 2', 'care');
    expect(now().tallies).toEqual([
      {
        name: 'patience',
        bands: [
          { name: 'hasty', to: 4 },
          { name: 'band 2', from: 5, page: 'care' },
        ],
      },
    ]);
    press('Take hasty out');
    expect(now().tallies).toEqual([{ name: 'patience', bands: [{ name: 'band 2', page: 'care' }] }]);
    typeOver('Name of the tally', 'calm');
    press('Take the tally calm out');
    expect(now()).not.toHaveProperty('tallies');
  });
});
