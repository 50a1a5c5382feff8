import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { useState } from 'react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { Schema } from '../../../src/api/client';
import { BlueprintsTaken } from '../../../src/areas/intake/BlueprintsTaken';
import { Files } from '../../../src/areas/intake/files/Files';
import { needsObjective, objectiveOf, readyOf, type WaitingFile, waitingOf } from '../../../src/areas/intake/files/files';
import { SaveAssessment } from '../../../src/areas/blueprint/SaveAssessment';
import { FromArchive } from '../../../src/areas/banks/FromArchive';
import { SaveAs } from '../../../src/areas/bank/list/SaveAs';
import { at, Served, settled } from '../../served';
import { pick, press, typeOver } from '../../written';

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

describe('an assessment is saved as a file', () => {
  const missing = { questions: 12, missing: [{ what: 'status', items: ['a', 'b', 'c', 'd', 'e'] }, { what: 'checkpoint', items: ['step 2'] }] }; // prettier-ignore
  const opened = async (archive = true) => {
    const served = new Served({ 'GET /blueprints/{id}/package/missing': missing, 'GET /blueprints/{id}/table/missing': missing });
    await at('/', '/', <SaveAssessment blueprint={3} version={1} archive={archive} />);
    expect(served.asked('GET', '/blueprints/{id}/package/missing')).toEqual([]);
    press('Save as a file …');
    await settled();
    return served;
  };
  const href = () => screen.getByRole('link', { name: 'Save it so' }).getAttribute('href');
  const behind = () => screen.queryAllByRole('listitem').map((li) => li.textContent);
  const named = ['status: a, b, c and 2 more', 'checkpoint: step 2'];

  it('first as the archive, that leaves nothing behind', async () => {
    await opened();
    expect([href(), behind()]).toEqual(['/api/blueprints/3/archive', []]);
  });

  it.each([
    ['package of QTI 2.1', '12 questions, all that it can deal.', named, 'package?as=qti21'],
    ['table', '12 rows, all that it can deal.', ['how the questions are dealt', ...named], 'table'],
    ['text', 'How they are dealt stays behind', [], 'text'],
  ])('as %s, after it was said what stays behind', async (words, says, stays, address) => {
    await opened();
    pick('Sort of file', words);
    await settled();
    expect(screen.getByRole('status').textContent).toContain(says);
    expect([href(), behind()]).toEqual([`/api/blueprints/3/${address}`, stays]);
  });

  it('without the archive for whoever may not have it', async () => {
    await opened(false);
    expect(href()).toBe('/api/blueprints/3/package?as=qti30');
  });

  it('not while it cannot be dealt, which is said in place', async () => {
    new Served({
      'GET /blueprints/{id}/table/missing': { refuse: 422, detail: '“a” is not cleared yet.', type: 'urn:zetema:problem:refused' },
    });
    await at('/', '/', <SaveAssessment blueprint={3} version={1} archive />);
    press('Save as a file …');
    await settled();
    expect(screen.getByRole('status').textContent).toContain('“a” is not cleared yet.');
    expect(screen.queryByRole('link')).toBeNull();
  });
});

const looked = (result: object, state = 'done') => ({
  id: 5,
  task: 'look through',
  state,
  done: 0,
  total: 3,
  stopAsked: false,
  result,
  failure: null,
});

it('a list is saved as a table after it was said what that cannot say', async () => {
  const { asked } = new Served({
    'POST /banks/{id}/missing': looked({ rows: 3, without: ['a picture'], missing: [{ what: 'shuffle', questions: 2 }] }, 'running'),
    'GET /jobs/{id}': looked({ rows: 3, without: ['a picture'], missing: [{ what: 'shuffle', questions: 2 }] }),
  });
  await at('/', '/', <SaveAs bank={1} written={new URLSearchParams({ kind: 'one' })} sort="table" />);
  expect(asked('POST', '/banks/{id}/missing')).toEqual([]);
  press('Save as table');
  await settled();
  expect(screen.getByRole('status').textContent).toBe('The questions are being looked through …');
  await waitFor(() => expect(screen.getByRole('status').textContent).toContain('3 rows'));
  expect(asked('POST', '/banks/{id}/missing')[0]?.body).toEqual({ as: 'table', filter: { kind: 'one' } });
  expect(screen.getByRole('status').textContent).toContain(
    '3 rows. 1 question can stand in no row and stays out. A table does not say: shuffle (of 2).',
  );
  expect(screen.getByRole('link', { name: 'Save it so' }).getAttribute('href')).toBe('/api/banks/1/table?kind=one');
});

it('a list is saved as a package of the version that is wanted, after it was said what that cannot say', async () => {
  const { asked } = new Served({
    'POST /banks/{id}/missing': looked({ rows: 3, without: ['a', 'b'], missing: [{ what: 'typos', questions: 1 }] }),
  });
  await at('/', '/', <SaveAs bank={1} written={new URLSearchParams({ kind: 'one' })} sort="package" />);
  press('Save as package');
  await settled();
  expect(screen.getByRole('status').textContent).toContain(
    'As QTI 3.0: 3 questions. 2 questions are not whole yet and stay out. A package does not say: typos (of 1).',
  );
  pick('Version of the standard', 'QTI 2.1');
  await settled();
  expect(asked('POST', '/banks/{id}/missing').map(({ body }) => (body as { as: string }).as)).toEqual(['qti30', 'qti21']);
  expect(screen.getByRole('link', { name: 'Save it so' }).getAttribute('href')).toBe('/api/banks/1/package?kind=one&as=qti21');
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
