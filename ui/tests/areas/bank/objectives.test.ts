import { describe, expect, test } from 'vitest';
import { dropped, step } from '../../../src/areas/bank/board/tree';

const node = (id: number, parent: number | null, path: string) => ({
  id,
  parent,
  path,
  name: path.split(' > ').at(-1) ?? '',
  depth: path.split(' > ').length - 1,
  code: '',
  description: '',
  version: 1,
});
const all = [
  node(1, null, 'A'),
  node(2, 1, 'A > a'),
  node(3, 1, 'A > b'),
  node(4, 1, 'A > c'),
  node(5, null, 'B'),
  node(6, 5, 'B > d'),
  { ...node(0, null, ''), name: 'Without an objective' },
];
const at = (id: number) => all.find((o) => o.id === id) ?? node(-1, null, '');

describe('an objective moved by keys', () => {
  test.each([
    ['up, before the one above it', 3, 'up', { parent: 1, before: 2 }],
    ['down, behind the one below it', 2, 'down', { parent: 1, before: 4 }],
    ['down, to be the last', 3, 'down', { parent: 1, before: null }],
    ['in, below the one before it', 5, 'in', { parent: 1, before: null }],
    ['out, behind what it lay below', 3, 'out', { parent: null, before: 5 }],
    ['out of the last one', 6, 'out', { parent: null, before: null }],
    ['the first goes no further up', 2, 'up', null],
    ['the last goes no further down', 4, 'down', null],
    ['the last at the top stays over what has no objective', 5, 'down', null],
    ['the first has none to go below', 1, 'in', null],
    ['at the top there is no way out', 5, 'out', null],
  ] as const)('%s', (_, id, way, move) => expect(step(all, at(id), way)).toEqual(move));
});

describe('an objective that is dropped on another', () => {
  test.each([
    ['from below: before it', 3, 1, { parent: 1, before: 2 }],
    ['from above: behind it', 1, 2, { parent: 1, before: 4 }],
    ['of another one', 1, 5, { parent: 5, before: null }],
    ['with all below it, at the top', 4, 0, { parent: null, before: 1 }],
    ['on what lies below itself: nothing', 0, 2, null],
    ['on itself: nothing', 2, 2, null],
    ['on what has no objective: nothing', 2, 6, null],
  ] as const)('%s', (_, from, onto, move) => expect(dropped(all, from, onto)).toEqual(move));
});
