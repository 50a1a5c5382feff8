import { act, cleanup, fireEvent, screen } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { Schema } from '../../../src/api/client';
import { bodyOf, type Brought, together, withoutTaken } from '../../../src/areas/intake/brought';
import { Columns } from '../../../src/areas/intake/Columns';
import { fitting, type Kept, mappingOf, meaningOf } from '../../../src/areas/intake/columns';
import { EncodingAsked } from '../../../src/areas/intake/EncodingAsked';
import { LeftBehind } from '../../../src/areas/intake/LeftBehind';
import { GivenLine } from '../../../src/areas/intake/GivenLine';
import { useOpened } from '../../../src/areas/intake/useOpened';
import { at, Served, settled } from '../../served';
import { pick, press, typeOver } from '../../written';

afterEach(() => {
  cleanup();
  localStorage.clear();
  vi.unstubAllGlobals();
});

const brought = (part: Partial<Brought> = {}): Brought => ({
  text: '1. Who?',
  name: 'a.txt',
  as: null,
  mapping: null,
  given: { objective: '', tags: [], settings: {} },
  beside: null,
  left: [],
  again: {},
  ...part,
});

describe('what is brought', () => {
  const mapping = { headings: 1, columns: { stem: 1 } };
  it.each([
    ['as it looks', {}, { text: '1. Who?' }],
    ['as somebody says', { as: 'paper' as const }, { text: '1. Who?', as: 'paper' }],
    ['with a mapping', { as: 'table' as const, mapping }, { text: '1. Who?', as: 'table', mapping }],
    ['not with a mapping that is for a table', { as: 'paper' as const, mapping }, { text: '1. Who?', as: 'paper' }],
    [
      'with what its questions are given',
      { given: { objective: 'Bees', tags: [], settings: {} } },
      { text: '1. Who?', given: { objective: 'Bees', tags: [], settings: {} } },
    ],
  ])('is asked about %s', (_, part, body) => {
    expect(bodyOf(brought(part))).toEqual(body);
  });

  const question = (fromLine: number, toLine: number) => ({ fromLine, toLine }) as Schema['UnderstoodQuestion'];
  const understood = (...questions: Schema['UnderstoodQuestion'][]) => ({ questions }) as Schema['Understood'];
  it.each([
    ['nothing, when all was taken in', [question(1, 2), question(4, 5)], ''],
    ['what was left out, below its headings', [question(4, 5)], 'Head\nfirst\n\n'],
  ])('keeps %s', (_, taken, rest) => {
    const text = 'Head\nfirst\n\nsecond\nof it\n';
    expect(withoutTaken(text, understood(question(1, 2), question(4, 5)), taken)).toBe(rest);
  });
});

describe('the columns of a table', () => {
  const column = (name: string, means: string | null, place: number | null = null, sample: string[] = []) => ({
    name,
    means,
    place,
    sample,
  });

  it.each([
    ['places of choices give their order', ['choices 2', 'stem', 'choices 1', ''], undefined, { choices: [3, 1], stem: 2 }],
    ['a choice that no column holds is left open', ['choices 2', 'stem'], undefined, { choices: [null, 1], stem: 2 }],
    ['the one chosen last holds it', ['stem', 'stem'], 1, { stem: 2 }],
    ['nothing is held by many', ['', '', 'key'], 1, { key: 3 }],
  ])('are mapped: %s', (_, held, chosen, columns) => {
    expect(mappingOf(2, held, chosen)).toEqual({ headings: 2, columns });
  });

  it('are told by what they hold', () => {
    expect([column('a', null), column('b', 'key'), column('c', 'choices', 3)].map(meaningOf)).toEqual(['', 'key', 'choices 3']);
  });

  it('are chosen by hand with their first rows, kept by name and offered for the same headings', async () => {
    const changed = vi.fn();
    const table = {
      headings: 1,
      columns: [column('Wording', null, null, ['Who?', '', 'What?']), column('Reply', 'key'), column('', null)],
    };
    let mappings: Kept[] = [];
    const { asked } = new Served({
      'GET /intake/mappings': () => ({ mappings }),
      'PUT /intake/mappings': ({ body }) => {
        mappings = [{ ...(body as Kept), id: 3, by: 'M. Orrell' }];
        return { mappings };
      },
      'DELETE /intake/mappings/{id}': { mappings: [] },
    });
    const shown = () => at('/', '/', <Columns table={table} onChange={changed} />);
    await shown();
    expect(document.body.textContent).toContain('“Wording”is nothingWho? · What?');
    pick('Column Wording', 'the stem');
    expect(changed).toHaveBeenLastCalledWith({ headings: 1, columns: { stem: 1, key: 2 } });
    typeOver('Line of the headings', '3');
    expect(changed).toHaveBeenLastCalledWith({ headings: 3, columns: { key: 2 } });
    typeOver('Keep these columns under a name', 'Summer');
    await settled();
    expect(document.body.textContent).toContain('Kept as Summer');
    expect(asked('PUT', '/intake/mappings')[0]?.body).toEqual({
      name: 'Summer',
      headings: ['Wording', 'Reply', ''],
      mapping: { headings: 1, columns: { key: 2 } },
    });
    expect(document.body.textContent).not.toContain('Take the columns');
    cleanup();
    table.columns = [column('Wording', null), column('Reply', null), column('', null)];
    await shown();
    await settled();
    expect(document.body.textContent).toContain('the stem and the key at least');
    press('Take the columns of “Summer”');
    expect(changed).toHaveBeenLastCalledWith({ headings: 1, columns: { key: 2 } });
    expect(fitting(mappings, [column('Other', null)], { headings: 1, columns: {} })).toEqual([]);
    press('Let go of “Summer”');
    await settled();
    expect(document.body.textContent).not.toContain('Take the columns');
  });
});

it('questions are given points and tags in a sentence, and lose them again', async () => {
  const changed = vi.fn();
  const given = { objective: '', tags: ['old'], settings: { shuffle: 'yes' } };
  await at('/', '/', <GivenLine bank={1} format="text" given={given} onChange={changed} />);
  typeOver('Points of those that say none', '2,5');
  expect(changed).toHaveBeenLastCalledWith({ ...given, settings: { shuffle: 'yes', points: '2.5' } });
  typeOver('Points of those that say none', 'many');
  expect(document.body.textContent).toContain('a number of points');
  typeOver('Tags of all', 'evening, , paper');
  expect(changed).toHaveBeenLastCalledWith({ ...given, tags: ['evening', 'paper'] });
  typeOver('Tags of all', 'none');
  expect(changed).toHaveBeenLastCalledWith({ ...given, tags: [] });
});

it('are given any setting that has a meaning for them, and lose it again', async () => {
  const changed = vi.fn();
  const given = { objective: '', tags: [], settings: { shuffle: 'yes', points: '2' } };
  await at('/', '/', <GivenLine bank={1} format="text" given={given} onChange={changed} />);
  expect(document.body.textContent).toContain('answers are shuffled: yes');
  pick('Give them also', 'attempts become');
  expect(document.body.textContent).toContain('attempts become as it is');
  typeOver('attempts become', '3');
  expect(changed).toHaveBeenLastCalledWith({ ...given, settings: { shuffle: 'yes', points: '2', attempts: '3' } });
  press('Leave shuffle as it is');
  expect(changed).toHaveBeenLastCalledWith({ ...given, settings: { points: '2' } });
});

describe('a file', () => {
  function Opening({ onOpened }: { onOpened: (opened: object) => void }) {
    const { open, problem, unsure, leave } = useOpened(1, onOpened);
    return (
      <>
        <button onClick={() => open(new Blob(['x']), 'old.txt')}>open</button>
        <button onClick={() => open({ size: 90_000_000 } as Blob, 'large.txt')}>open a large one</button>
        <button onClick={() => open({ size: 90_000_000 } as Blob, 'bees.zip')}>open a package</button>
        {problem}
        {unsure && (
          <EncodingAsked
            unsure={unsure}
            onAgree={() => onOpened(unsure.opened)}
            onOther={(encoding) => open(unsure.file, unsure.name, encoding)}
            onLeave={leave}
          />
        )}
      </>
    );
  }
  const served = (...told: object[]) => {
    const fetched = vi.fn<(path: string) => Promise<object>>(() =>
      Promise.resolve({ ok: !('detail' in (told[0] ?? {})), json: () => Promise.resolve(told.shift()) }),
    );
    vi.stubGlobal('fetch', fetched);
    return fetched;
  };
  const pressed = async (words: string) => {
    fireEvent.click(screen.getByRole('button', { name: words }));
    await act(() =>
      Promise.resolve()
        .then(() => Promise.resolve())
        .then(() => Promise.resolve())
        .then(() => Promise.resolve())
        .then(() => Promise.resolve()),
    );
  };

  it('that is a package is opened for the bank, however large, with what it has beside its questions', async () => {
    const beside = {
      pictures: { 'hut.png': 'f00' },
      unmatched: [{ item: 'lead', what: 'onclick', line: 3, file: 'lead.xml' }],
      problems: [],
    };
    const fetched = served({ text: 'true: A drone hums.', ...beside });
    const opened = vi.fn<(opened: object) => void>();
    await at('/', '/', <Opening onOpened={opened} />);
    await pressed('open a package');
    expect(fetched.mock.calls[0]?.[0]).toBe('/api/banks/1/intake/package?name=bees.zip');
    expect(opened).toHaveBeenCalledWith({ name: 'bees.zip', text: 'true: A drone hums.', as: 'text', beside });
  });

  it('in another encoding is used only when agreed to, or read in another one', async () => {
    const opened = vi.fn();
    const fetched = served(
      { text: 'Königin', as: 'paper', encoding: 'windows-1252', isSure: false, sample: 'Königin' },
      { text: 'K?nigin', as: 'paper', encoding: 'utf-16le', isSure: true, sample: '' },
    );
    await at('/', '/', <Opening onOpened={opened} />);
    await pressed('open');
    expect(screen.getByRole('alert').textContent).toContain('old.txt is not UTF-8. As windows-1252 it reads “Königin”.');
    expect(opened).not.toHaveBeenCalled();
    await pressed('That is right');
    expect(opened).toHaveBeenLastCalledWith({ name: 'old.txt', text: 'Königin', as: 'paper' });
    await pressed('as utf-16le');
    expect(fetched.mock.calls[1]?.[0]).toBe('/api/intake/open?name=old.txt&encoding=utf-16le');
    expect(opened).toHaveBeenLastCalledWith({ name: 'old.txt', text: 'K?nigin', as: 'paper' });
    expect(screen.queryByRole('alert')).toBeNull();
  });

  it('that cannot be opened says why, and a large one is not even sent', async () => {
    const opened = vi.fn();
    const fetched = served({ title: 'No', status: 422, detail: 'The file is no text.', type: 'urn:zetema:problem:malformed' });
    await at('/', '/', <Opening onOpened={opened} />);
    await pressed('open');
    expect(document.body.textContent).toContain('old.txt: The file is no text. Nothing here was changed.');
    await pressed('open a large one');
    expect(document.body.textContent).toContain('large.txt has 90 MB');
    expect([fetched.mock.calls.length, opened.mock.calls.length]).toEqual([1, 0]);
  });
});

describe('what of a package did not come along', () => {
  const thing = (n: number) => ({ item: `item ${n}`, what: 'onclick', line: n, file: 'a.xml' });
  const beside = (unmatched: ReturnType<typeof thing>[], problems: Schema['ReadProblem'][] = []) => ({ pictures: {}, unmatched, problems });
  const rows = () => screen.queryAllByRole('row').length - 1;

  it('is told item by item, a few at first', async () => {
    const read = vi.fn();
    await at('/', '/', <LeftBehind beside={beside(Array.from({ length: 20 }, (_, i) => thing(i)))} onRead={read} />);
    expect([rows(), document.body.textContent]).toEqual([
      12,
      expect.stringContaining('20 things in it have no counterpart here and stay behind.'),
    ]);
    press('all 20');
    expect(rows()).toBe(20);
    press('That is read');
    expect(read).toHaveBeenCalled();
  });

  it('and what breaks the standard, with its file and line', async () => {
    const problem = { file: 'b.xml', line: 7, column: 1, message: 'correctResponse: “Z” is no choice of this item' };
    await at('/', '/', <LeftBehind beside={beside([thing(3)], [problem])} onRead={vi.fn()} />);
    expect(screen.getAllByRole('row').map((row) => row.textContent)).toEqual([
      'itemwhatwhere',
      'b.xmlcorrectResponse: “Z” is no choice of this itemline 7',
      'item 3onclicka.xml, line 3',
    ]);
    expect(document.body.textContent).toContain('1 thing in it has no counterpart here and stays behind. 1 problem.');
  });

  it('is nothing where all of it did', async () => {
    await at('/', '/', <LeftBehind beside={{ ...beside([]), pictures: { 'a.png': 'f', 'b.png': 'e' } }} onRead={vi.fn()} />);
    expect([rows(), document.body.textContent]).toEqual([
      -1,
      '2 files with pictures or sound come along with the questions that show them.',
    ]);
  });

  it('is one list where two packages stand below each other', () => {
    expect(together(beside([thing(1)]), { ...beside([thing(2)]), pictures: { 'a.png': 'f' } })).toEqual({
      blueprints: [],
      pictures: { 'a.png': 'f' },
      unmatched: [thing(1), thing(2)],
      problems: [],
    });
    expect([together(null, undefined), together(null, beside([]))]).toEqual([null, beside([])]);
  });
});
