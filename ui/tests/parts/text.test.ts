import { describe, expect, it } from 'vitest';
import { ApiError, dataOf, errorWords, type Problem } from '../../src/api/client';
import { clock, count, duration, figure, points, runs } from '../../src/parts/text/figures';
import { insertInto, makeLink, makeList, surround, textKeys } from '../../src/parts/text/marks';

/** A field with a text in which [ ] stands around what is chosen. */
function field(marked: string): HTMLTextAreaElement {
  const box = document.createElement('textarea');
  box.value = marked.replace(/[[\]]/g, '');
  const from = marked.indexOf('[');
  box.setSelectionRange(from, marked.indexOf(']') - 1);
  document.body.replaceChildren(box);
  return box;
}

/** The text with [ ] around what is chosen. */
const marked = ({ value, selectionStart, selectionEnd }: HTMLTextAreaElement) =>
  `${value.slice(0, selectionStart)}[${value.slice(selectionStart, selectionEnd)}]${value.slice(selectionEnd)}`;

describe('marks in a text', () => {
  it.each<[string, string, (box: HTMLTextAreaElement) => void, string]>([
    ['emphasis around words', 'the [queen] lays', (box) => surround(box, '*', 'words'), 'the *[queen]* lays'],
    ['emphasis taken away again', 'the [*queen*] lays', (box) => surround(box, '*', 'words'), 'the [queen] lays'],
    ['emphasis where nothing is chosen', 'the []lays', (box) => surround(box, '*', 'words'), 'the *[words]*lays'],
    ['a list of lines', '[one\ntwo]', makeList, '- one\n- two[]'],
    ['a list within a text', 'these: [one]', makeList, 'these: \n- one[]'],
    ['a list that was one', '[- one\n- two]', makeList, '- one\n- two[]'],
    ['a link', 'see [the guide]', makeLink, 'see [the guide]([https://])'],
    ['words put in', 'a [b] c', (box) => insertInto(box, 'x'), 'a x[] c'],
  ])('%s', (_, before, change, after) => {
    const box = field(before);
    let told = '';
    box.addEventListener('input', () => (told = box.value));
    change(box);
    expect([marked(box), told]).toEqual([after, box.value]);
  });

  it.each([
    [{ key: 'b', ctrlKey: true }, '**[queen]**'],
    [{ key: 'i', metaKey: true }, '*[queen]*'],
    [{ key: 'm', ctrlKey: true }, '$[queen]$'],
    [{ key: 'L', ctrlKey: true, shiftKey: true }, '- queen[]'],
    [{ key: 'l', ctrlKey: true }, '[queen]'],
    [{ key: 'b' }, '[queen]'],
    [{ key: 'b', ctrlKey: true, altKey: true }, '[queen]'],
  ])('by the keys %o', (pressed, after) => {
    const box = field('[queen]');
    textKeys({
      ctrlKey: false,
      metaKey: false,
      altKey: false,
      shiftKey: false,
      ...pressed,
      currentTarget: box,
      preventDefault: () => undefined,
    } as never);
    expect(marked(box)).toBe(after);
  });
});

describe('numbers', () => {
  it.each([
    [figure('-2.5'), '−2.5'],
    [count(1, 'question'), '1 question'],
    [count(20_000, 'question'), '20,000 questions'],
    [count(2, 'bee', 'bees at work'), '2 bees at work'],
    [points('1'), 'point'],
    [points('0.5'), 'points'],
    [clock(1122), '18:42'],
    [clock(3725.2), '1:02:06'],
    [clock(-4), '0:00'],
    [duration(45), '45 s'],
    [duration(120), '2 minutes'],
    [duration(90), '1 min 30 s'],
    [runs([5, 6, 7, 9]), '5 to 7, 9'],
    [runs([1, 2]), '1, 2'],
    [runs([]), ''],
  ])('are told as %s', (told, expected) => {
    expect(told).toBe(expected);
  });
});

describe('an answer of the server', () => {
  const problem = (status: number, type: string): Problem => ({
    type: `urn:zetema:problem:${type}`,
    title: '',
    status,
    detail: `it is ${type}`,
  });
  const answer = (status: number, error: unknown) =>
    Promise.resolve({ error, response: new Response(null, { status: status === 0 ? 200 : status }) });
  const failure = async (promise: Parameters<typeof dataOf>[0]) => {
    try {
      await dataOf(promise);
    } catch (error) {
      if (error instanceof ApiError) return error;
    }
    throw new Error('it did not fail');
  };

  it('gives its data', async () => {
    expect(await dataOf(Promise.resolve({ data: { total: 3 }, response: new Response() }))).toEqual({ total: 3 });
  });

  it.each<
    [
      string,
      () => Promise<{ error?: unknown; response: Response }>,
      Partial<Record<'isLogIn' | 'isStale' | 'isOffline' | 'maySucceedLater', boolean>>,
    ]
  >([
    ['nobody logged in', () => answer(401, problem(401, 'log-in')), { isLogIn: true, maySucceedLater: false }],
    ['somebody else logged in', () => answer(409, problem(409, 'other-account')), { isLogIn: true }],
    ['a newer version', () => answer(409, problem(409, 'stale')), { isStale: true, maySucceedLater: false }],
    ['a fault', () => answer(503, problem(503, 'fault')), { maySucceedLater: true, isOffline: false }],
    ['a page of a proxy', () => answer(502, '<html>'), { maySucceedLater: true }],
    ['no connection', () => Promise.reject(new TypeError('failed')), { isOffline: true, maySucceedLater: true }],
    ['a refusal', () => answer(422, problem(422, 'malformed')), { maySucceedLater: false, isStale: false, isLogIn: false }],
  ])('tells %s apart', async (_, promise, expected) => {
    expect(await failure(promise())).toMatchObject(expected);
  });

  it('is told in its own words, and a fault of ours in plain ones', async () => {
    expect(errorWords(await failure(answer(422, problem(422, 'malformed'))))).toBe('it is malformed');
    expect(errorWords(await failure(Promise.reject(new TypeError('x'))))).toContain('What you typed is kept here');
    expect(errorWords('what?')).toBe('Something went wrong; please try again.');
  });
});
