import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { useState } from 'react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { Schema } from '../../../src/api/client';
import { BlueprintsTaken } from '../../../src/areas/intake/BlueprintsTaken';
import { Files } from '../../../src/areas/intake/files/Files';
import { asksWhere, needsObjective, objectiveIn, readyOf, type WaitingFile, waitingOf } from '../../../src/areas/intake/files/files';
import { FromArchive } from '../../../src/areas/banks/FromArchive';
import { at, Served, settled } from '../../served';
import { pick, press, typeOver } from '../../written';

afterEach(() => {
  cleanup();
  localStorage.clear();
});

const told = (isSure = true) => ({ text: '', as: 'text', encoding: 'windows-1252', isSure, sample: 'Königin' }) as Schema['Opened'];
const opened = (name: string, isSure = true) => waitingOf({ name, text: `text of ${name}`, as: 'paper' }, told(isSure));
/** One whose questions go to an objective called like it. */
const file = (name: string, isSure = true): WaitingFile => ({
  ...opened(name, isSure),
  named: true,
  given: { objective: name.charAt(0).toUpperCase(), tags: [], settings: {} },
});
const question = (fromLine: number, objective = '', more: object = {}) =>
  ({ fromLine, toLine: fromLine, problems: [], known: null, question: { objective }, ...more }) as unknown as Schema['UnderstoodQuestion'];
const read = (...questions: Schema['UnderstoodQuestion'][]) => ({ questions }) as Schema['Understood'];

it.each([
  ['queens-and_colonies.zet.txt', 'Bees > Queens and colonies'],
  ['bees, queens.csv', 'Bees > Queens'],
  ['Swarms.csv', ''],
  ['queen.txt', ''],
  ['.txt', ''],
])('a file called %s goes to the objective “%s”', (name, objective) => {
  expect(objectiveIn(name, ['Bees', 'Bees > Queens', 'Bees > Queens and colonies', 'Plants'])).toBe(objective);
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
    const nameless = { ...whole, given: { ...whole.given, objective: '' } };
    expect([whole, nameless, { ...nameless, nowhere: true }].map(asksWhere)).toEqual([false, true, false]);
  });
});

describe('several files', () => {
  it('go where their names say, which is shown first; where they say nothing it is asked', async () => {
    const rows = ['Bees', 'Bees > Queens'].map((path) => ({ objective: { path } }));
    const { asked } = new Served({
      'POST /banks/{id}/intake/read': read(question(1)),
      'GET /banks/{id}/board': { rows },
      'POST /banks/{id}/intake': { state: 'done', result: batch },
    });
    await at('/', '/', <Shown first={[opened('queens.txt'), opened('other.txt')]} />);
    await waitFor(() => expect(document.body.textContent).toContain('into Bees > Queens'));
    await waitFor(() => expect(document.body.textContent).toContain('where do they go?'));
    expect(screen.getByRole('button', { name: 'Take in 2 questions of 2 files' })).toHaveProperty('disabled', true);
    expect(document.body.textContent).toContain('Say first where the questions of 1 file go.');
    press('leave them without one');
    press('Take in 2 questions of 2 files');
    await waitFor(() => expect(asked('POST', '/banks/{id}/intake')).toHaveLength(2));
    expect(asked('POST', '/banks/{id}/intake').map(({ body }) => body)).toMatchObject([
      { given: { objective: 'Bees > Queens' } },
      { given: { objective: '' } },
    ]);
  });

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

describe('one of several files', () => {
  const bodies = (asked: { body?: unknown }[]) => asked.map(({ body }) => (body as { given: object }).given);
  const beside = {
    pictures: { 'hut.png': 'abc' },
    blueprints: [{ title: 'Evening paper', document: { v: 2 } }],
    unmatched: [{ item: 'report', what: 'extendedTextInteraction', line: 5, file: 'items/report.xml' }],
    problems: [],
  };
  const batch = { id: 7, name: 'a.zip', questions: 1, revised: 0, takenInAt: '2026-11-26T08:00:00+00:00', takenBackAt: null };
  function Shown({ first }: { first: WaitingFile[] }) {
    const [files, setFiles] = useState(first);
    return <Files bank={1} files={files} onChange={setFiles} onOpen={vi.fn()} />;
  }

  it('has settings and a kind of its own, and the same for all with one press', async () => {
    const { asked } = new Served({ 'POST /banks/{id}/intake/read': read(question(1)) });
    await at('/', '/', <Shown first={[file('a.txt'), file('b.txt')]} />);
    await waitFor(() => expect(document.body.textContent).toContain('Take in 2 questions of 2 files'));
    press('Settings for a.txt');
    typeOver('Points of those that say none', '3');
    pick('Asked as', 'several of several');
    await waitFor(() => expect(asked('POST', '/banks/{id}/intake/read')).toHaveLength(3));
    press('the same for all files');
    await waitFor(() => expect(asked('POST', '/banks/{id}/intake/read')).toHaveLength(4));
    const given = { tags: [], settings: { points: '3' }, kind: 'several' };
    expect(bodies(asked('POST', '/banks/{id}/intake/read')).slice(2)).toEqual([
      { ...given, objective: 'A' },
      { ...given, objective: 'B' },
    ]);
  });

  it('that is a package says what of it stays behind, and its test comes along', async () => {
    const told = { id: 4, title: 'Evening paper', missing: 2, problem: null };
    const { asked } = new Served({ 'POST /banks/{id}/intake': { state: 'done', result: { ...batch, blueprints: [told] } } });
    await at('/', '/', <Shown first={[{ ...file('a.zip'), as: 'text', beside, read: read(question(1)) }]} />);
    expect(document.body.textContent).not.toContain('extendedTextInteraction');
    press('1 stays behind');
    expect(screen.getByRole('table').textContent).toContain('reportextendedTextInteractionitems/report.xml, line 5');
    expect(document.body.textContent).toContain('A test comes along as a blueprint: “Evening paper”.');
    press('Take in 1 question of 1 file');
    await waitFor(() => expect(screen.getByRole('link', { name: 'Evening paper' }).getAttribute('href')).toBe('/banks/1/blueprints/4'));
    expect(document.body.textContent).toContain('without 2 questions that did not come in');
    expect(asked('POST', '/banks/{id}/intake')[0]?.body).toMatchObject({ pictures: { 'hut.png': 'abc' }, blueprints: [{ v: 2 }] });
  });

  it.each([
    ['in the text format has kinds', 'text' as const, false],
    ['that is a table may be asked as another kind', 'table' as const, true],
  ])('%s', async (_, as, isAsked) => {
    await at('/', '/', <Shown first={[{ ...file('a.txt'), as, read: read(question(1)) }]} />);
    press('Settings for a.txt');
    expect(screen.queryByLabelText(/^Asked as/) !== null).toBe(isAsked);
  });
});

it('a test that did not become a blueprint says why', async () => {
  const told = { id: null, title: 'Evening paper', missing: 3, problem: 'none of its questions came in' };
  await at('/', '/', <BlueprintsTaken bank={1} blueprints={[told]} />);
  expect(document.body.textContent).toBe('“Evening paper” did not become a blueprint: none of its questions came in.');
});

describe('a bank from an archive', () => {
  const archive = new File(['zip'], 'bank.zip');
  const fetching = (told: object, ok = true) => {
    const fetched = vi.fn<(path: string) => Promise<object>>(() => Promise.resolve({ ok, json: () => Promise.resolve(told) }));
    vi.stubGlobal('fetch', fetched);
    return fetched;
  };
  const choose = async () => {
    fireEvent.change(screen.getByLabelText('Archive of a bank'), { target: { files: [archive] } });
    await settled();
    await settled();
  };
  const job = { id: 4, task: 'restore bank', state: 'done', done: 3, total: 3, stopAsked: false, result: null, failure: null };

  it('is made under another name and opened', async () => {
    const fetched = fetching({ made: 7, job });
    const restored = vi.fn();
    await at('/', '/', <FromArchive onRestored={restored} />);
    fireEvent.change(screen.getByLabelText(/Or one from an archive/), { target: { value: ' Moved ' } });
    await choose();
    expect(fetched.mock.calls[0]?.[0]).toBe('/api/banks/from-archive?name=Moved');
    expect(restored).toHaveBeenCalledWith(7);
  });

  it('is refused with the reason, and none is made', async () => {
    fetching({ title: 'No', detail: 'file: cannot be opened; it is no whole zip', type: 'malformed', status: 422 }, false);
    const restored = vi.fn();
    await at('/', '/', <FromArchive onRestored={restored} />);
    await choose();
    expect(screen.getByRole('alert').textContent).toContain('it is no whole zip');
    expect([screen.getByRole('alert').textContent.includes('No bank was made.'), restored.mock.calls]).toEqual([true, []]);
  });
});
