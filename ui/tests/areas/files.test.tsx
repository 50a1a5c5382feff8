import { cleanup, screen, waitFor } from '@testing-library/react';
import { useState } from 'react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { Schema } from '../../src/api/client';
import { Files } from '../../src/areas/intake/Files';
import { needsObjective, objectiveOf, readyOf, type WaitingFile, waitingOf } from '../../src/areas/intake/files';
import { SaveAsTable } from '../../src/areas/bank/list/SaveAsTable';
import { at, Served, settled } from '../served';
import { press } from '../written';

afterEach(() => {
  cleanup();
  localStorage.clear();
});

const told = (isSure = true) => ({ text: '', as: 'text', encoding: 'windows-1252', isSure, sample: 'Königin' }) as Schema['Opened'];
const file = (name: string, isSure = true) => waitingOf({ name, text: `text of ${name}`, as: 'paper' }, told(isSure));
const question = (fromLine: number, objective = '', more: object = {}) =>
  ({ fromLine, toLine: fromLine, problems: [], known: null, question: { objective }, ...more }) as unknown as Schema['UnderstoodQuestion'];
const read = (...questions: Schema['UnderstoodQuestion'][]) => ({ questions }) as Schema['Understood'];

it.each([
  ['queens-and_colonies.zet.txt', 'Queens and colonies'],
  ['Swarms.csv', 'Swarms'],
  ['.txt', ''],
])('a file called %s suggests the objective “%s”', (name, objective) => {
  expect(objectiveOf(name)).toBe(objective);
});

describe('of a file', () => {
  const whole = { ...file('a.txt'), read: read(question(1), question(2, 'Bees'), question(3, '', { question: null })) };
  it.each([
    ['what is whole is taken in', whole, [1, 2]],
    ['nothing, while its encoding is not agreed to', { ...whole, unsure: 'as windows-1252' }, []],
    ['nothing that the bank has by its name', { ...whole, read: read(question(1, '', { known: { by: 'name', isSame: false } })) }, []],
    ['what has a stem that the bank has', { ...whole, read: read(question(1, '', { known: { by: 'stem', isSame: false } })) }, [1]],
    ['nothing, while it is read', file('b.txt'), []],
  ])('%s', (_, of, lines) => {
    expect(readyOf(of).map((q) => q.fromLine)).toEqual(lines);
  });

  it('an objective is only asked for where some question says none', () => {
    expect([whole, { ...whole, read: read(question(2, 'Bees')) }, file('b.txt')].map(needsObjective)).toEqual([true, false, false]);
  });
});

describe('several files', () => {
  function Shown({ first, onOpen }: { first: WaitingFile[]; onOpen?: (file: WaitingFile) => void }) {
    const [files, setFiles] = useState(first);
    return <Files bank={1} files={files} onChange={setFiles} onOpen={onOpen ?? vi.fn()} />;
  }
  const batch = { id: 7, name: 'a.txt and 1 more', questions: 3, revised: 0, takenInAt: '2026-11-26T08:00:00+00:00', takenBackAt: null };

  it('are read one after another and taken in as one batch; what is not whole stays', async () => {
    const { asked } = new Served({
      'POST /banks/{id}/intake/read': ({ body }) =>
        (body as { text: string }).text === 'text of b.txt'
          ? read(question(4), question(5, '', { question: null }))
          : read(question(1), question(2)),
      'POST /banks/{id}/intake': { state: 'done', result: batch },
    });
    await at('/', '/', <Shown first={[file('a.txt'), file('b.txt')]} />);
    await waitFor(() => expect(document.body.textContent).toContain('2 questions, 1 to be put right'));
    press('all into “A”');
    press('Take in 3 questions of 2 files');
    await waitFor(() => expect(document.body.textContent).toContain('Taken in: a.txt and 1 more, 3 questions'));
    expect(asked('POST', '/banks/{id}/intake').map(({ body }) => body)).toMatchObject([
      { text: 'text of a.txt', as: 'paper', lines: [1, 2], given: { objective: 'A' } },
      { text: 'text of b.txt', as: 'paper', lines: [4], given: { objective: 'A' }, batch: 7 },
    ]);
    expect([document.body.textContent.includes('b.txt 2 questions'), document.body.textContent.includes('a.txt2 questions')]).toEqual([
      true,
      false,
    ]);
  });

  it('are looked at, left, agreed to; one that cannot be read says why and goes', async () => {
    const opened = vi.fn();
    new Served({ 'POST /banks/{id}/intake/read': { refuse: 422, detail: 'It is too long.', type: 'urn:zetema:problem:malformed' } });
    const known = { ...file('a.txt', false), read: read(question(1)) };
    await at('/', '/', <Shown first={[known, file('long.txt')]} onOpen={opened} />);
    await settled();
    expect(screen.getByRole('alert').textContent).toBe('long.txt: It is too long.');
    expect(document.body.textContent).toContain('a.txt is not UTF-8; as windows-1252 it reads “Königin”.');
    expect(document.body.textContent).toContain('Take in 0 questions of 1 file');
    press('that is right');
    expect(document.body.textContent).toContain('Take in 1 question of 1 file');
    press('look at it');
    expect(opened).toHaveBeenCalledWith({ ...known, unsure: null });
    press('leave it');
    expect(document.body.textContent).not.toContain('a.txt');
  });
});

it('a list is saved as a table after it was said what that cannot say', async () => {
  const { asked } = new Served({
    'GET /banks/{id}/table/missing': { rows: 3, without: ['a picture'], missing: [{ what: 'shuffle', questions: 2 }] },
  });
  await at('/', '/', <SaveAsTable bank={1} written={new URLSearchParams({ kind: 'one' })} />);
  expect(asked('GET', '/banks/{id}/table/missing')).toEqual([]);
  press('Save as table');
  await settled();
  expect(screen.getByRole('status').textContent).toContain(
    '3 rows. 1 question can stand in no row and stay out. A table does not say: shuffle (of 2).',
  );
  expect(screen.getByRole('link', { name: 'Save it so' }).getAttribute('href')).toBe('/api/banks/1/table?kind=one');
});
