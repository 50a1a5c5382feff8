import { cleanup, screen } from '@testing-library/react';
import { afterEach, describe, expect, it } from 'vitest';
import { Apart } from '../../../src/areas/blueprint/margin/Apart';
import { following, Tallies } from '../../../src/areas/blueprint/margin/Tallies';
import { documentOf, planning } from '../../planned';
import { settled } from '../../served';
import { key, pick, press, typeOver, write } from '../../written';

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
    pick('What candidates are told of patience', 'never told');
    expect(now().tallies?.[0]).toMatchObject({ name: 'patience', told: 'never' });
    typeOver('Name of the tally', 'calm');
    press('Take the tally calm out');
    expect(now()).not.toHaveProperty('tallies');
  });

  it.each([
    [true, 'ends between 4 and 20 '],
    [false, 'ends between 4 and 20, without what is drawn from so many'],
  ])('tell between which values they end, and whether what is drawn is in it: %s', async (isWhole, words) => {
    const tallies = [{ name: 'patience' }];
    const spans = [{ tally: 'patience', least: 4, most: 20, isWhole }];
    await planning({ ...documentOf([]), tallies }, (document, onChange) => (
      <Tallies bank={1} spans={spans} document={document} readOnly={false} onChange={onChange} />
    ));
    expect(document.body.textContent).toContain(words);
  });
});

describe('questions that never meet', () => {
  it('are named in pairs, told, and let meet again', async () => {
    const { now } = await planning(documentOf([]), (document, onChange) => (
      <Apart document={document} readOnly={false} onChange={onChange} />
    ));
    typeOver('A question’s name', 'trim');
    typeOver('The other’s name', 'wick');
    expect(now().apart).toEqual([['trim', 'wick']]);
    typeOver('A question’s name', 'wick');
    typeOver('The other’s name', 'trim');
    expect(screen.getByRole('alert').textContent).toBe('they are kept apart already');
    write('The other’s name', 'wick');
    key('The other’s name', 'Enter');
    expect(now().apart).toHaveLength(1);
    press('Let trim and wick meet');
    expect(now()).not.toHaveProperty('apart');
  });
});
