import { act, cleanup, renderHook } from '@testing-library/react';
import { afterEach, describe, expect, it, test } from 'vitest';
import { useChosen } from '../../../src/areas/bank/list/many/useChosen';
import { saying, toChange, values, type Wish, wishes } from '../../../src/areas/bank/list/many/wanted';

afterEach(cleanup);

const questions = [3, 5, 8, 13, 21].map((id) => ({ id }));
const chosen = (total = 5) =>
  renderHook(({ kind }: { kind?: string }) => useChosen(kind === undefined ? {} : { kind }, total), {
    initialProps: {},
  });

describe('choosing in a list', () => {
  it('chooses one by one, and leaves one', () => {
    const { result } = chosen();
    act(() => result.current.toggle(questions, 1, false));
    act(() => result.current.toggle(questions, 3, false));
    act(() => result.current.toggle(questions, 1, false));
    expect([result.current.count, result.current.body()]).toEqual([1, { ids: [13] }]);
  });

  it('chooses two that are pressed before the first is drawn', () => {
    const { result } = chosen();
    act(() => {
      result.current.toggle(questions, 0, false);
      result.current.toggle(questions, 4, false);
    });
    expect(result.current.body()).toEqual({ ids: [3, 21] });
  });

  it('chooses a stretch, either way', () => {
    const { result } = chosen();
    act(() => result.current.toggle(questions, 3, false));
    act(() => result.current.toggle(questions, 1, true));
    expect(result.current.body()).toEqual({ ids: [13, 5, 8] });
    expect(questions.map(({ id }) => result.current.has(id))).toEqual([false, true, true, true, false]);
  });

  it('chooses all that fit, however many are loaded, but some', () => {
    const { result } = chosen(3_000);
    act(() => result.current.all());
    act(() => result.current.toggle(questions, 0, false));
    expect([result.current.count, result.current.has(3), result.current.has(999)]).toEqual([2_999, false, true]);
    expect(result.current.body()).toEqual({ filter: {}, without: [3] });
    act(() => result.current.none());
    expect(result.current.count).toBe(0);
  });

  it('chooses nothing that another filter shows', () => {
    const { result, rerender } = chosen();
    act(() => result.current.all());
    rerender({ kind: 'claim' });
    expect([result.current.count, result.current.has(3)]).toEqual([0, false]);
  });
});

describe('what is wanted of many', () => {
  test.each<[string, Wish[], object]>([
    ['nothing typed yet', [{ what: 'points', value: '' }], {}],
    ['a setting', [{ what: 'points', value: '5' }], { settings: { points: '5' } }],
    ['a sign that is typed as a minus', [{ what: 'floor', value: '−3' }], { settings: { floor: '-3' } }],
    [
      'claims and the rest',
      [
        { what: 'points', value: '10' },
        { what: 'points of a kind', value: '5', more: 'claim' },
      ],
      { settings: { points: '10' }, byKind: { claim: { points: '5' } } },
    ],
    ['points of no kind yet', [{ what: 'points of a kind', value: '5' }], {}],
    ['an objective', [{ what: 'objective', value: 'A > B' }], { objective: 'A > B' }],
    ['no objective', [{ what: 'objective', value: 'no objective' }], { objective: '' }],
    ['tags', [{ what: 'tags put on', value: 'exam, , season ' }], { addTags: ['exam', 'season'] }],
    ['tags taken off', [{ what: 'tags taken off', value: 'old' }], { dropTags: ['old'] }],
    ['no difficulty', [{ what: 'difficulty', value: 'none' }], { difficulty: '' }],
    ['a status', [{ what: 'status', value: 'in review' }], { status: 'in review' }],
    ['words of feedback', [{ what: 'if partly right', value: 'Nearly.' }], { feedback: { 'partly right': 'Nearly.' } }],
    ['no words of its own', [{ what: 'if wrong', value: 'nothing' }], { feedback: { wrong: '' } }],
    ['a text put in place of another', [{ what: 'replace', value: 'mite', more: 'tick' }], { replace: { find: 'mite', with: 'tick' } }],
    ['a text taken out', [{ what: 'replace', value: 'mite' }], { replace: { find: 'mite', with: '' } }],
  ])('%s', (_, all, change) => expect(toChange(all)).toEqual(change));

  it('is said in words, with the values there are', () => {
    expect(wishes.filter((what) => saying(what) === what)).toEqual([]);
    expect(values('status')).toContain('cleared');
    expect(values('shuffle')).toEqual(['yes', 'no']);
    expect(values('points')).toEqual([]);
  });
});
