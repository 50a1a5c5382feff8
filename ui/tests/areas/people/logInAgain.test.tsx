import { cleanup, screen } from '@testing-library/react';
import { act } from 'react';
import { afterEach, describe, expect, it } from 'vitest';
import type { Schema } from '../../../src/api/client';
import { LogInAgain } from '../../../src/areas/people/LogInAgain';
import { at, Served, settled } from '../../served';

afterEach(cleanup);

const carrow = { id: 4, login: 'carrow', name: 'J. Carrow', role: 'candidate' } as Schema['Account'];

/** The page of J. Carrow is told that it is not logged in, while the server knows this account. */
async function refused(account: object | null) {
  const served = new Served({ 'GET /me': { account } });
  let back = 0;
  const count = () => back++;
  window.addEventListener('zetema:logged-in', count);
  await at('/', '/', <LogInAgain account={carrow} />);
  act(() => void window.dispatchEvent(new Event('zetema:log-in')));
  await settled();
  window.removeEventListener('zetema:logged-in', count);
  return { asked: served.asked('GET', '/me').length, isOpen: screen.queryByRole('dialog') !== null, back };
}

describe('logging in again over a page', () => {
  it.each<[string, object | null, boolean]>([
    ['is asked for where nobody is logged in', null, true],
    ['is asked for where somebody else is', { ...carrow, id: 5 }, true],
    ['is not, where it was done meanwhile: what waits is sent again', carrow, false],
  ])('%s', async (_, account, isOpen) => {
    expect(await refused(account)).toEqual({ asked: 1, isOpen, back: isOpen ? 0 : 1 });
  });
});
