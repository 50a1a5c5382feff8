import { cleanup, fireEvent, screen } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { howMany } from '../../../src/areas/blueprint/admission/useAdmission';
import { WhoMaySit } from '../../../src/areas/blueprint/admission/WhoMaySit';
import { WithCode } from '../../../src/areas/delivery/beforehand/WithCode';
import GroupsPage from '../../../src/areas/people/GroupsPage';
import { at, Served, settled } from '../../served';
import { pick, press, typeOver, write } from '../../written';

afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
});

const candidates = [
  { id: 5, name: 'B. Wren', login: 'wren' },
  { id: 6, name: 'J. Carrow', login: 'carrow' },
  { id: 7, name: 'C. Ashlow', login: 'ashlow' },
];
const course = { id: 3, version: 2, name: 'Spring course', members: [5] };
const all = { groups: [course], candidates };
const admission = { version: 4, everybody: true, opens: null, closes: null, code: null, groups: [] as number[], people: [] as object[] };
const wren = { account: 5, extraTime: 0, sittings: 0, byCode: false };

async function opened(more: object = {}, answer: object = admission) {
  const served = new Served({ 'GET /blueprints/{id}/admission': { ...admission, ...more }, 'GET /groups': all, 'PUT /blueprints/{id}/admission': answer }); // prettier-ignore
  await at('/', '/', <WhoMaySit blueprint={1} />);
  await settled();
  return () => served.asked('PUT', '/blueprints/{id}/admission').map(({ body }) => body);
}
const text = () => document.body.textContent;
const find = (part: string, name: string) => {
  fireEvent.change(screen.getByLabelText('admit'), { target: { value: part } });
  press(name);
};

describe('who may sit an assessment', () => {
  const sent = { version: 4, everybody: true, opens: null, closes: null, groups: [], people: [] };
  const some = { everybody: false };

  it('is every candidate, until somebody is named', async () => {
    const put = await opened();
    expect(text()).toContain('every candidate, all alike');
    pick('Who may sit it', 'only who is named here');
    await settled();
    expect(put()).toEqual([{ ...sent, everybody: false }]);
  });

  it.each<[string, object, () => void, object]>([
    ['a group', some, () => pick('Admit a group', 'Spring course'), { ...some, groups: [3] }],
    ['no longer a group', { ...some, groups: [3] }, () => press('Take Spring course out'), { ...some, groups: [] }],
    ['somebody', some, () => find('wre', 'B. Wren'), { ...some, people: [wren] }],
    ['more time', { people: [wren] }, () => typeOver('Percent of time more for B. Wren', '25'), { people: [{ ...wren, extraTime: 25 }] }],
    ['more sittings', { people: [wren] }, () => typeOver('Sittings more for B. Wren', '1'), { people: [{ ...wren, sittings: 1 }] }],
    ['nobody more', { people: [wren] }, () => press('Take B. Wren out'), { people: [] }],
    ['a link', some, () => press('Make an access link'), { ...some, code: 'new' }],
    ['no link', { ...some, code: 'abc' }, () => press('no link'), { ...some, code: 'none' }],
    ['no end', { closes: '2027-05-01T10:00:00+00:00' }, () => press('until: no moment'), { closes: null }],
  ])('changes by %s', async (_, told, act, change) => {
    const put = await opened(told);
    act();
    await settled();
    expect(put()).toEqual([{ ...sent, ...change }]);
  });

  it('finds somebody by any part of a name or log-in, shown before anybody is admitted', async () => {
    const put = await opened(some);
    fireEvent.change(screen.getByLabelText('admit'), { target: { value: 'carrow' } });
    fireEvent.keyDown(screen.getByLabelText('admit'), { key: 'Enter' });
    await settled();
    expect([screen.queryByRole('button', { name: 'J. Carrow' }) !== null, screen.queryByRole('button', { name: 'C. Ashlow' })]).toEqual([
      true,
      null,
    ]);
    expect(put()).toEqual([]);
    fireEvent.change(screen.getByLabelText('admit'), { target: { value: 'nobody such' } });
    expect(text()).toContain('nobody of that name');
    fireEvent.change(screen.getByLabelText('admit'), { target: { value: 'low c.' } });
    press('C. Ashlow');
    await settled();
    expect(put()).toEqual([{ ...sent, ...some, people: [{ ...wren, account: 7 }] }]);
  });

  it.each([
    ['everybody', admission, 3],
    ['nobody', { ...admission, everybody: false }, 0],
    ['a group and one of it', { ...admission, everybody: false, groups: [3], people: [wren] }, 1],
  ])('counts %s', (_, told, many) => {
    expect(howMany(told as Parameters<typeof howMany>[0], all.groups, 3)).toBe(many);
  });

  it('a time that is too long is refused where it was typed', async () => {
    const put = await opened({ people: [wren] });
    typeOver('Percent of time more for B. Wren', '900');
    expect(screen.getByRole('alert').textContent).toBe('a whole number from 0 to 400');
    expect(put()).toEqual([]);
  });

  it('a moment is typed as it is read, and refused in words where it is none', async () => {
    const put = await opened();
    typeOver('open from', 'some day in May');
    expect([screen.getByRole('alert').textContent, put()]).toEqual(['a day and a time, such as Sat, 1 May 2027, 14:30', []]);
    const field = screen.getByRole('textbox', { name: 'open from' });
    fireEvent.change(field, { target: { value: '1.5.2027 10:30' } });
    fireEvent.blur(field);
    await settled();
    expect(put()).toEqual([{ ...sent, opens: new Date(2027, 4, 1, 10, 30).toISOString().replace('.000Z', '+00:00') }]);
  });

  it('a day is picked from a month by keyboard, and keeps its time', async () => {
    const put = await opened({ closes: new Date(2027, 4, 31, 18, 0).toISOString() });
    press('until: pick a day');
    await settled();
    for (const key of ['PageDown', 'ArrowUp', 'ArrowRight']) fireEvent.keyDown(document.activeElement ?? document.body, { key });
    expect(document.activeElement?.getAttribute('aria-label')).toBe('24 June 2027');
    fireEvent.click(document.activeElement ?? document.body);
    await settled();
    expect(put()).toEqual([{ ...sent, closes: new Date(2027, 5, 24, 18, 0).toISOString().replace('.000Z', '+00:00') }]);
  });

  it('what somebody else saved meanwhile is told', async () => {
    await opened(some, { refuse: 409, detail: 'Who may sit it was changed in another window.', type: 'stale' });
    press('Make an access link');
    await settled();
    expect(screen.getByRole('alert').textContent).toContain('changed in another window');
  });
});

describe('an access code', () => {
  it.each([
    ['in the list', 'is in your list.'],
    ['not yet', 'cannot be sat yet; it stands in your list once it can.'],
    ['closed', 'has closed.'],
  ])('of a link is used by itself, once, and the list comes after it: %s', async (stands, words) => {
    const served = new Served({ 'POST /access-codes': { title: 'Paper', stands } });
    const page = await at('/join/abc', '*', <WithCode />);
    await settled();
    expect(served.asked('POST', '/access-codes').map(({ body }) => body)).toEqual([{ code: 'abc' }]);
    expect([screen.getByRole('status').textContent, page.address()]).toEqual([`“Paper” ${words}`, '/']);
  });

  it('that was mistyped stays to be put right', async () => {
    new Served({ 'POST /access-codes': { refuse: 422, detail: 'No assessment has this code.', type: 'refused' } });
    await at('/', '*', <WithCode />);
    write('With an access code:', 'abx');
    press('Find it');
    await settled();
    expect(screen.getByRole('alert').textContent).toContain('No assessment has this code.');
    expect(screen.getByLabelText<HTMLInputElement>('With an access code:').value).toBe('abx');
  });
});

describe('groups of candidates', () => {
  const orrell = { id: 1, login: 'orrell', name: 'M. Orrell', role: 'author' as const };

  it('are made, named, filled and deleted', async () => {
    const served = new Served({ 'GET /groups': all, 'POST /groups': all, 'PUT /groups/{id}': all, 'DELETE /groups/{id}': { groups: [], candidates } }); // prettier-ignore
    await at('/', '/', <GroupsPage account={orrell} />);
    await settled();
    write('A new group, called', 'Autumn course');
    press('Make this group');
    fireEvent.click(screen.getByLabelText('J. Carrow'));
    await settled();
    typeOver('Name of the group', 'Spring');
    await settled();
    expect(served.calls.filter(({ method }) => method !== 'GET').map(({ body }) => body)).toEqual([
      { name: 'Autumn course' },
      { version: 2, members: [5, 6] },
      { version: 2, name: 'Spring' },
    ]);
    press('delete');
    press('delete “Spring course”');
    await settled();
    expect(text()).toContain('There is none yet.');
  });

  it('of many are found by letters of their name; who is in it stands first', async () => {
    const many = Array.from({ length: 60 }, (_, i) => ({ id: i + 1, name: `${i % 2 === 0 ? 'A' : 'B'}. Number ${i + 1}` }));
    const group = { id: 1, version: 3, name: 'Course', members: [7, 60] };
    const served = new Served({ 'GET /groups': { groups: [group], candidates: many }, 'PUT /groups/{id}': { groups: [group], candidates: many } }); // prettier-ignore
    await at('/', '/', <GroupsPage account={orrell} />);
    await settled();
    const names = () => screen.getAllByRole('checkbox').map((box) => box.parentElement?.textContent);
    expect(names()).toEqual(['A. Number 7', 'B. Number 60']);
    write('find a candidate:', 'b. n');
    expect(names()).toHaveLength(2 + 24);
    expect(text()).toContain('and 5 more with these letters');
    write('find a candidate:', 'number 12');
    fireEvent.click(screen.getByLabelText('B. Number 12'));
    await settled();
    expect(served.calls.at(-1)?.body).toEqual({ version: 3, members: [7, 60, 12] });
    write('find a candidate:', 'zzz');
    expect(text()).toContain('nobody else has these letters');
  });
});
