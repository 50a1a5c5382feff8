import { describe, expect, it } from 'vitest';
import { minutes, passMark, quota, sittings } from '../../../src/areas/blueprint/typed';

describe('what is typed on a blueprint', () => {
  it.each([
    ['60 %', { pass: { percent: '60' } }],
    ['62,5%', { pass: { percent: '62.5' } }],
    ['75 points', { pass: { points: '75' } }],
    ['75', { pass: { points: '75' } }],
    ['none', { pass: null }],
    ['100 %', { pass: { percent: '100' } }],
  ])('pass mark %s', (typed, found) => {
    expect(passMark(typed)).toEqual(found);
  });
  it.each(['150 %', 'abc', '-5', '5 apples', '%', '1e3'])('no pass mark: %s', (typed) => {
    expect(passMark(typed)).toHaveProperty('why');
  });

  it.each([
    ['25', { seconds: 1500 }],
    ['0,5', { seconds: 30 }],
    ['90 min', { seconds: 5400 }],
    ['1440', { seconds: 86_400 }],
    ['no', { seconds: null }],
  ])('minutes %s', (typed, found) => {
    expect(minutes(typed)).toEqual(found);
  });
  it.each(['99999', '0', '0.1', 'soon', '-3'])('no minutes: %s', (typed) => {
    expect(minutes(typed)).toHaveProperty('why');
  });

  it('takes whole numbers in cells and nothing else', () => {
    expect([quota('3'), quota(''), quota('500')]).toEqual([{ take: 3 }, { take: 0 }, { take: 500 }]);
    for (const typed of ['1.5', '-1', '501', 'two', '1e2']) expect(quota(typed)).toHaveProperty('why');
  });

  it('counts sittings from 1 to 99, or any number', () => {
    expect([sittings('2'), sittings('any number of'), sittings('any')]).toEqual([{ sittings: 2 }, { sittings: null }, { sittings: null }]);
    for (const typed of ['0', '100', '1.5', 'once']) expect(sittings(typed)).toHaveProperty('why');
  });
});
