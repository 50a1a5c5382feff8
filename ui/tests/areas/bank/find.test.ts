import { describe, expect, test } from 'vitest';
import { actions, fitting } from '../../../src/areas/bank/find/actions';

describe('what can be done, by a few letters', () => {
  test.each([
    ['wr', ['Write a question', 'Write a page']],
    ['export', ['Save questions as a file', 'Save an assessment as a file']],
    ['print', ['Print what is shown', 'Save an assessment as a file']],
    ['copy', ['Copy the bank, make one from an archive', 'Save questions as a file']],
    [
      'quest',
      ['Write a question', 'Save questions as a file', 'See all questions', 'See questions in review', 'Find questions that are alike'],
    ],
    ['undo', ['See the history of the bank, undo']],
    ['bank make', ['Copy the bank, make one from an archive', 'See all banks, make a bank']],
    ['zzz', []],
  ])('%s', (typed, words) => expect(fitting(actions(1), typed, true).map((action) => action.words)).toEqual(words));

  test('only what is theirs to do', () => {
    expect(fitting(actions(1), '', false).filter((action) => action.writes)).toEqual([]);
    expect(fitting(actions(1), '', true).length).toBe(actions(1).length);
  });
});
