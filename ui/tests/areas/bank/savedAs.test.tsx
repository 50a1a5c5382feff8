import { cleanup, screen, waitFor } from '@testing-library/react';
import { afterEach, describe, expect, it } from 'vitest';
import { SaveAs } from '../../../src/areas/bank/list/SaveAs';
import { SaveAssessment } from '../../../src/areas/blueprint/SaveAssessment';
import { at, Served, settled } from '../../served';
import { pick, press } from '../../written';

afterEach(cleanup);

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
