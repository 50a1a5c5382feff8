import { act, cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import IntakePage from '../../../src/areas/intake/IntakePage';
import { at, Served } from '../../served';
import { pick, press } from '../../written';

const paper = '1. Who lays?\na) he\nb) she *\n\n2. Who feeds?\n';
const question = (fromLine: number, more: object = {}) => ({
  fromLine,
  toLine: fromLine + 2,
  problems: [],
  why: 'key B: marked',
  known: null,
  question: { kind: 'one', name: null, objective: '', stem: 'Who?', choices: [], answers: ['she'], settings: {}, status: 'draft' },
  ...more,
});
const understood = (as: string, questions: object[], more: object = {}) => ({
  as,
  bank: null,
  bankSettings: [],
  questions,
  problems: [],
  pages: [],
  aside: [],
  table: null,
  ...more,
});
const broken = { question: null, problems: [{ line: 5, column: 1, message: 'key missing' }] };
const batch = { id: 3, name: 'a.txt', questions: 1, revised: 0, takenInAt: '2026-11-26T08:00:00+00:00', takenBackAt: null };
const shelf = 'zetema:intake:1';
const kept = () => JSON.parse(localStorage.getItem(shelf) ?? '{}') as { text?: string; as?: string; given?: object };

beforeEach(() => {
  // The editor measures its lines, which are nowhere here.
  Range.prototype.getClientRects = () => [] as unknown as DOMRectList;
});
afterEach(() => {
  cleanup();
  localStorage.clear();
  vi.unstubAllGlobals();
});

const show = () => at('/banks/1/intake', '/banks/:bank/intake', <IntakePage />);
const choose = async (name: string, told: object) => {
  vi.stubGlobal('fetch', () =>
    Promise.resolve({ ok: true, json: () => Promise.resolve({ encoding: 'utf-8', isSure: true, sample: '', ...told }) }),
  );
  await act(() => {
    fireEvent.change(screen.getByLabelText('A text, a typed paper, a table or a package'), { target: { files: [new File(['x'], name)] } });
    return Promise.resolve();
  });
};
const served = (answers: object = {}) =>
  new Served({
    'GET /banks/{id}/jobs': { jobs: [] },
    'GET /banks/{id}/batches': { batches: [] },
    'POST /banks/{id}/intake/read': ({ body }) => understood((body as { as?: string }).as ?? 'paper', [question(1), question(5, broken)]),
    'POST /banks/{id}/intake': { id: 9, state: 'done', result: batch, task: 'take in', done: 1, total: 1 },
    ...answers,
  });

describe('the intake', () => {
  it('takes in what is whole of a file and keeps the rest in the text', async () => {
    const { asked } = served();
    await show();
    await choose('a.txt', { text: paper, as: 'paper' });
    await waitFor(() => expect(document.body.textContent).toContain('1 of 2 questions understood'));
    expect(document.body.textContent).toContain('Read as a typed paper');
    expect(document.body.textContent).toContain('1 question with problems stays in the text until put right.');
    expect(asked('POST', '/banks/{id}/intake/read').at(-1)?.body).toEqual({ text: paper, as: 'paper' });
    press('Take in 1 question');
    await waitFor(() => expect(document.body.textContent).toContain('Taken in: a.txt, 1 question'));
    expect(asked('POST', '/banks/{id}/intake')[0]?.body).toEqual({ text: paper, as: 'paper', name: 'a.txt', lines: [1], again: {} });
    await waitFor(() => expect(kept().text).toBe('\n2. Who feeds?\n'));
  });

  it('reads as another sort on the spot, and remembers all of it on leaving', async () => {
    const { asked } = served({
      'POST /banks/{id}/intake/read': ({ body }: { body?: unknown }) =>
        (body as { as?: string }).as === 'table'
          ? understood('table', [question(2)], {
              table: { headings: 1, columns: [{ name: 'Wording', means: null, place: null, sample: ['Who?'] }] },
            })
          : understood('text', [], { problems: [{ line: 1, column: 1, message: 'belongs to nothing' }] }),
    });
    await show();
    await choose('a.txt', { text: 'Wording\nWho?', as: 'text' });
    await waitFor(() => expect(document.body.textContent).toContain('1 line belongs to no question.'));
    pick('Read as', 'a table');
    await waitFor(() => expect(document.body.textContent).toContain('“Wording”'));
    pick('Column Wording', 'the stem');
    await waitFor(() =>
      expect(asked('POST', '/banks/{id}/intake/read').at(-1)?.body).toMatchObject({
        as: 'table',
        mapping: { headings: 1, columns: { stem: 1 } },
      }),
    );
    expect(kept()).toMatchObject({ as: 'table', text: 'Wording\nWho?', mapping: { headings: 1, columns: { stem: 1 } } });
    cleanup();
    await show();
    await waitFor(() => expect(document.body.textContent).toContain('Read as a table'));
    await waitFor(() => expect(document.body.textContent).toContain('Take in 1 question'));
  });

  it('asks where a second file goes, and leaves what the bank has until somebody decides', async () => {
    const known = { id: 12, by: 'name', isSame: false, difference: [{ text: 'yes: she', change: 'added' }] };
    const { asked } = served({ 'POST /banks/{id}/intake/read': understood('paper', [question(1, { known })]) });
    await show();
    await choose('a.txt', { text: paper, as: 'paper' });
    await waitFor(() => expect(document.body.textContent).toContain('1 question the bank has'));
    expect(screen.getByRole('button', { name: /^Take in/ }).hasAttribute('disabled')).toBe(true);
    press('new revisions of all that differ');
    await waitFor(() => expect(screen.getByRole('button', { name: 'Take in 1 question' }).hasAttribute('disabled')).toBe(false));
    await choose('b.txt', { text: 'Q: What?', as: 'paper' });
    await waitFor(() => expect(document.body.textContent).toContain('There is text here already.'));
    press('leave the file');
    expect(kept().text).toBe(paper);
    await waitFor(() => expect(screen.getByRole('button', { name: 'Take in 1 question' }).hasAttribute('disabled')).toBe(false));
    press('Take in 1 question');
    await waitFor(() => expect(asked('POST', '/banks/{id}/intake')[0]?.body).toMatchObject({ lines: [1], again: { 1: 'revise' } }));
    await choose('c.txt', { text: 'Q: More?', as: 'paper' });
    await waitFor(() => expect(kept().text).toBe('Q: More?'));
  });

  it.each([
    ['what was typed before each bank had its own', 'zetema:intake', '1. Typed long ago?', '1. Typed long ago?'],
    ['nothing of what cannot be read', 'zetema:intake:1', '{broken', undefined],
    ['nothing of files that cannot be read', 'zetema:intake-files:1', 'neither', undefined],
  ])('begins with %s', async (_, key, value, text) => {
    const { asked } = served();
    localStorage.setItem(key, value);
    await show();
    expect(document.body.textContent).toContain('Bring questions in');
    if (text !== undefined) {
      await waitFor(() => expect(asked('POST', '/banks/{id}/intake/read').at(-1)?.body).toEqual({ text }));
      expect([kept().text, localStorage.getItem('zetema:intake')]).toEqual([text, null]);
    } else expect(asked('POST', '/banks/{id}/intake/read')).toEqual([]);
  });

  it('keeps what each bank is brought apart', async () => {
    served();
    await show();
    await choose('a.txt', { text: paper, as: 'paper' });
    await waitFor(() => expect(kept().text).toBe(paper));
    cleanup();
    await at('/banks/2/intake', '/banks/:bank/intake', <IntakePage />);
    expect(document.body.textContent).not.toContain('Read as');
    expect(kept().text).toBe(paper);
  });

  it('takes several files beside the text, and one of them into it to be put right', async () => {
    served({
      'POST /banks/{id}/intake/read': ({ body }: { body?: unknown }) =>
        understood('paper', [question(1, (body as { text: string }).text === 'second' ? broken : {})]),
    });
    await show();
    vi.stubGlobal('fetch', (path: string) =>
      Promise.resolve({
        ok: true,
        json: () =>
          Promise.resolve({ text: path.includes('b.txt') ? 'second' : 'first', as: 'paper', encoding: 'utf-8', isSure: true, sample: '' }),
      }),
    );
    await act(() => {
      fireEvent.change(screen.getByLabelText('A text, a typed paper, a table or a package'), {
        target: { files: [new File(['x'], 'b.txt'), new File(['y'], 'a.txt')] },
      });
      return Promise.resolve();
    });
    await waitFor(() => expect(document.body.textContent).toContain('Take in 1 question of 2 files'));
    expect(document.body.textContent).toMatch(/a\.txt.*b\.txt/);
    fireEvent.click(screen.getAllByRole('button', { name: 'look at it' })[1] ?? document.body);
    await waitFor(() => expect(kept().text).toBe('second'));
    expect(document.body.textContent).toContain('Take in 1 question of 1 file');
    expect(JSON.parse(localStorage.getItem('zetema:intake-files:1') ?? '[]')).toMatchObject([{ name: 'a.txt', text: 'first', read: null }]);
  });

  it('says why nothing can be taken in, and the text stays', async () => {
    served({ 'POST /banks/{id}/intake': { refuse: 422, detail: 'The bank has changed.', type: 'malformed' } });
    await show();
    await choose('a.txt', { text: paper, as: 'paper' });
    await waitFor(() => expect(screen.getByRole('button', { name: 'Take in 1 question' }).hasAttribute('disabled')).toBe(false));
    press('Take in 1 question');
    await waitFor(() => expect(screen.getByRole('alert').textContent).toBe('The bank has changed.'));
    expect(kept().text).toBe(paper);
  });
});
