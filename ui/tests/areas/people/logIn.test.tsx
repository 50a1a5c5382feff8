import { cleanup, fireEvent, screen } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { Schema } from '../../../src/api/client';
import { LogInForm } from '../../../src/areas/people/LogIn';
import PeoplePage from '../../../src/areas/people/PeoplePage';
import { at, Served, settled } from '../../served';
import { field, press } from '../../written';

const author = { id: 1, login: 'orrell', name: 'M. Orrell', role: 'author' } as Schema['Account'];
const keeper = { ...author, id: 6, role: 'administrator' } as Schema['Account'];
const text = () => document.body.textContent;

afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
  localStorage.clear();
});

describe('logging in', () => {
  it('waits as long as the server says, and counts it down', async () => {
    const { asked } = new Served({ 'POST /log-in': { refuse: 429, detail: 'Too many wrong passwords.' } });
    await at('/', '/', <LogInForm />);
    fireEvent.change(field('Name'), { target: { value: ' orrell ' } });
    fireEvent.change(field('Password'), { target: { value: 'wrong' } });
    press('Log in');
    await settled();
    expect([asked('POST', '/log-in')[0]?.body, screen.getByRole('alert').textContent]).toEqual([
      { login: 'orrell', password: 'wrong' },
      'Too many wrong passwords.',
    ]);
  });

  it('over a page is for whose page it is, and nobody else', async () => {
    const { calls } = new Served({ 'POST /log-in': { account: author } });
    const done = vi.fn();
    await at('/', '/', <LogInForm only={author} onDone={done} />);
    fireEvent.change(field('Name'), { target: { value: 'penhale' } });
    fireEvent.change(field('Password'), { target: { value: 'honeycomb' } });
    press('Log in');
    await settled();
    expect([calls.length, screen.getByRole('alert').textContent]).toEqual([0, expect.stringContaining('This page is M. Orrell’s.')]);
    fireEvent.change(field('Name'), { target: { value: 'orrell' } });
    press('Log in');
    await settled();
    expect([calls.length, done.mock.calls.length]).toEqual([1, 1]);
  });

  it('of somebody who has to wait is let go on by whoever keeps the accounts', async () => {
    const slowed = [{ id: 3, login: 'wren', address: '10.0.0.9', failures: 7 }];
    const { asked } = new Served({ 'GET /slowed-log-ins': { slowed }, 'DELETE /slowed-log-ins/{id}': { slowed: [] } });
    await at('/people', '/people', <PeoplePage account={keeper} />);
    press('Let wren go on');
    await settled();
    expect([asked('DELETE', '/slowed-log-ins/{id}').length, text().includes('Nobody has to wait now.')]).toEqual([1, true]);
  });
});
