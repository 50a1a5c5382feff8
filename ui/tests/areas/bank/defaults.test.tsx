import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { afterEach, describe, expect, it } from 'vitest';
import type { Schema } from '../../../src/api/client';
import BankSettingsPage from '../../../src/areas/bank/settings/BankSettingsPage';
import HouseRulesPage from '../../../src/areas/bank/settings/HouseRulesPage';
import { at, Served, settled } from '../../served';
import { field, pick, press, typeOver } from '../../written';

const author = { id: 1, login: 'orrell', name: 'M. Orrell', role: 'author' } as Schema['Account'];
const reader = { ...author, id: 2, role: 'reviewer' } as Schema['Account'];
const text = () => document.body.textContent;

afterEach(() => {
  cleanup();
  localStorage.clear();
});

describe('the settings of a bank', () => {
  const settings = (version: number, every: Record<string, string> = {}, byKind = {}) => ({
    version,
    settings: every,
    byKind,
    wording: {},
    kindWording: {},
    clearing: null,
    takes: { one: ['points', 'marking', 'attempts', 'shuffle'], claim: ['points', 'shuffle'], text: ['points', 'typos'] },
    house: {
      settings: { points: '1', marking: 'whole', attempts: '1', shuffle: 'no', typos: '0', time: '', 'wrong part costs': '' },
      byKind: { claim: { attempts: '2' } },
      wording: { right: 'Right: all points.', wrong: 'Wrong.' },
      kindWording: { claim: { right: 'It holds.' } },
      clearing: 'its author too',
    },
    following: null,
  });
  const page = (account = author) => at('/banks/1/settings', '/banks/:bank/settings', <BankSettingsPage account={account} />);
  const path = '/banks/{id}/settings';
  const standing = (told: object) => ({ differ: {}, follow: {}, cleared: {}, specimen: {}, ...told });

  it('are set for every question and set back to the house', async () => {
    let version = 1;
    const { asked } = new Served({
      [`GET ${path}`]: settings(1),
      [`GET ${path}/differing`]: standing({}),
      [`PUT ${path}`]: ({ body }) => settings(++version, (body as { settings: Record<string, string> }).settings),
    });
    await page();
    typeOver('A question is worth', '5');
    await settled();
    expect(asked('PUT', path)[0]?.body).toEqual({
      settings: { points: '5' },
      byKind: {},
      wording: {},
      kindWording: {},
      clearing: null,
      version: 1,
    });
    expect(text()).toContain('set by the bank');
    press('Set points back');
    await settled();
    expect(asked('PUT', path)[1]?.body).toEqual({ settings: {}, byKind: {}, wording: {}, kindWording: {}, clearing: null, version: 2 });
  });

  it('are set for one kind, which is nearer, and only what has a meaning for it', async () => {
    const { asked } = new Served({
      [`GET ${path}`]: settings(1, { points: '5', shuffle: 'yes' }),
      [`GET ${path}/differing`]: standing({}),
      [`PUT ${path}`]: settings(2, { points: '5' }, { claim: { points: '2' } }),
    });
    await page();
    pick('For which questions', 'every claim');
    expect(text()).not.toContain('typing errors');
    expect(text()).toContain('set by the bank for every question');
    typeOver('A question is worth', '2');
    await settled();
    expect(asked('PUT', path)[0]?.body).toMatchObject({ settings: { points: '5', shuffle: 'yes' }, byKind: { claim: { points: '2' } } });
  });

  it('that somebody else changed meanwhile are shown, to take or to save over', async () => {
    const { asked, answers } = new Served({
      [`GET ${path}`]: settings(1),
      [`GET ${path}/differing`]: standing({}),
      [`PUT ${path}`]: { refuse: 409, detail: 'Changed in another window.', type: 'stale', current: settings(4, { points: '9' }) },
    });
    await page();
    typeOver('A question is worth', '5');
    await settled();
    expect(screen.getByRole('alert').textContent).toContain('Changed in another window.');
    answers[`PUT ${path}`] = settings(5, { points: '5' });
    press('Save mine over it');
    await settled();
    expect(asked('PUT', path).at(-1)?.body).toMatchObject({ settings: { points: '5' }, version: 4 });
  });

  it('say how many questions follow, lead to those that differ, and show what a candidate reads', async () => {
    const specimen = {
      id: 7,
      excerpt: 'Where do queens mate?',
      how: 'Choose one.',
      worth: '1',
      attempts: 2,
      time: 90,
      said: [{ outcome: 'wrong', text: '' }],
    };
    new Served({
      [`GET ${path}`]: settings(1, { shuffle: 'yes' }),
      [`GET ${path}/differing`]: standing({
        differ: { one: { points: 3 }, claim: { points: 1 } },
        follow: { one: { points: 5, shuffle: 8 }, claim: { points: 2, shuffle: 3 } },
        specimen: { one: specimen },
      }),
    });
    await page();
    expect(text()).toContain('7 follow it · 4 questions differ');
    expect(screen.getByRole('link', { name: '4 questions differ' }).getAttribute('href')).toBe('/banks/1/questions?differs=points');
    expect(text()).toContain('8 follow it');
    expect(text()).toContain('Choose one. · 1 point · 2 attempts · 1 min 30 s');
    expect(text()).toContain('nothing is said');
    pick('For which questions', 'every claim');
    expect(screen.getByRole('link', { name: '1 question differs' }).getAttribute('href')).toBe(
      '/banks/1/questions?kind=claim&differs=points',
    );
  });

  it('ask before a change reaches cleared questions, and can be left', async () => {
    const { asked } = new Served({
      [`GET ${path}`]: settings(1, { shuffle: 'yes' }),
      [`GET ${path}/differing`]: standing({ cleared: { one: { points: 1, attempts: 2 }, claim: { points: 1 } } }),
      [`PUT ${path}`]: settings(2, { shuffle: 'yes', points: '5' }),
    });
    await page();
    typeOver('A question is worth', '5');
    await settled();
    expect(screen.getByRole('alert').textContent).toContain('To 5? 2 cleared questions say nothing themselves and will follow.');
    expect(document.activeElement?.textContent).toBe('Change it');
    press('Leave it');
    expect([screen.queryByRole('alert'), asked('PUT', path)]).toEqual([null, []]);
    typeOver('A question is worth', '5');
    press('Change it');
    await settled();
    expect(asked('PUT', path)[0]?.body).toMatchObject({ settings: { shuffle: 'yes', points: '5' } });
    // No cleared one says nothing of shuffling: nothing to ask.
    press('Set shuffle back');
    await settled();
    expect(asked('PUT', path)[1]?.body).toMatchObject({ settings: { points: '5' } });
  });

  it('ask before what is said after an outcome reaches cleared questions; what was typed waits, kept, until then', async () => {
    const { asked } = new Served({
      [`GET ${path}`]: { ...settings(1), kindWording: { claim: { wrong: 'It does not hold.' } } },
      [`GET ${path}/differing`]: standing({ cleared: { one: { wrong: 1, right: 0 }, claim: { wrong: 5 }, text: { wrong: 2 } } }),
      [`PUT ${path}`]: ({ body }: { body: unknown }) => ({ ...settings(2), ...(body as object), version: 2 }),
    });
    const type = (what: string) => fireEvent.change(field('Said when wrong'), { target: { value: what } });
    await page();
    type('Not so.');
    expect(screen.getByRole('alert').textContent).toContain('3 cleared questions say nothing themselves and will follow.');
    press('Leave it');
    expect([screen.queryByRole('alert'), field('Said when wrong').value]).toEqual([null, '']);
    type('Not so.');
    cleanup();
    await page();
    expect([field('Said when wrong').value, asked('PUT', path)]).toEqual(['Not so.', []]);
    press('Change it');
    await waitFor(() => expect(asked('PUT', path)[0]?.body).toMatchObject({ wording: { wrong: 'Not so.' } }));
    await settled();
    // Agreed to once, and none follows after right: both are saved as one types.
    type('Not so at all.');
    await waitFor(() => expect(asked('PUT', path)[1]?.body).toMatchObject({ wording: { wrong: 'Not so at all.' } }));
    await settled();
    fireEvent.change(field('Said when right'), { target: { value: 'Yes.' } });
    expect(screen.queryByRole('alert')).toBeNull();
  });

  it('say what is read after an outcome by kind, which is nearer, and only what can come of it', async () => {
    const { asked } = new Served({
      [`GET ${path}`]: { ...settings(1), wording: { wrong: 'Not so.' }, kindWording: { text: { wrong: 'Mind the spelling.' } } },
      [`GET ${path}/differing`]: standing({}),
      [`PUT ${path}`]: settings(2),
    });
    await page();
    pick('For which questions', 'every claim');
    expect([field('Said when wrong').getAttribute('placeholder'), field('Said when right').getAttribute('placeholder')]).toEqual([
      '“Not so.” (set by the bank for every question)',
      '“It holds.” (house)',
    ]);
    fireEvent.change(field('Said when wrong'), { target: { value: 'It does not hold.' } });
    await waitFor(() =>
      expect(asked('PUT', path)[0]?.body).toMatchObject({
        wording: { wrong: 'Not so.' },
        kindWording: { text: { wrong: 'Mind the spelling.' }, claim: { wrong: 'It does not hold.' } },
      }),
    );
    pick('For which questions', 'every rating');
    expect(screen.queryByRole('textbox', { name: 'Said when wrong' })).toBeNull();
    expect(field('Said when recorded')).toBeTruthy();
  });

  it('say what is read after an outcome, and who may clear', async () => {
    let version = 1;
    const { asked } = new Served({
      [`GET ${path}`]: settings(1),
      [`GET ${path}/differing`]: standing({}),
      [`PUT ${path}`]: ({ body }) => ({ ...settings(++version), ...(body as object), version }),
    });
    await page();
    expect(field('Said when wrong').getAttribute('placeholder')).toBe('“Wrong.” (house)');
    fireEvent.change(field('Said when wrong'), { target: { value: 'Not so.' } });
    await waitFor(() => expect(asked('PUT', path)[0]?.body).toMatchObject({ wording: { wrong: 'Not so.' } }));
    await settled();
    pick('A question is cleared by', 'only another person');
    await settled();
    expect(asked('PUT', path).at(-1)?.body).toMatchObject({ wording: { wrong: 'Not so.' }, clearing: 'only another person' });
  });

  it('are shown to readers, who cannot change them', async () => {
    new Served({ [`GET ${path}`]: settings(1) });
    await page(reader);
    expect([screen.queryByRole('button', { name: /^A question is worth/ }), text().includes('A question is worth 1 point.')]).toEqual([
      null,
      true,
    ]);
  });
});

it('house rules are read by authors and changed by who keeps the accounts', async () => {
  const rules = {
    version: 3,
    settings: { attempts: '2' },
    byKind: {},
    wording: {},
    kindWording: {},
    clearing: null,
    takes: {},
    house: {
      settings: { points: '1', attempts: '1' },
      byKind: {},
      wording: { wrong: 'Wrong.' },
      kindWording: {},
      clearing: 'its author too',
    },
    following: null,
  };
  const { asked } = new Served({ 'GET /house-rules': rules, 'PUT /house-rules': { ...rules, version: 4 } });
  await at('/house-rules', '/house-rules', <HouseRulesPage account={author} />);
  expect(screen.queryByRole('button', { name: /^A question is worth/ })).toBeNull();
  expect(text()).toContain('Whoever keeps the accounts changes them.');
  cleanup();
  await at('/house-rules', '/house-rules', <HouseRulesPage account={{ ...author, role: 'administrator' }} />);
  expect(text()).toContain('set by the house rules set back to 1');
  expect(text()).toContain('as shipped');
  typeOver('A question is worth', '4');
  expect(screen.getByRole('alert').textContent).toContain('Questions of all banks');
  press('Change it');
  await settled();
  expect(asked('PUT', '/house-rules')[0]?.body).toMatchObject({ settings: { attempts: '2', points: '4' }, version: 3 });
});
