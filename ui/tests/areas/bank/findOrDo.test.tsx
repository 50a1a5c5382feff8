import { cleanup, fireEvent, screen } from '@testing-library/react';
import { afterEach, expect, it } from 'vitest';
import { FindOrDo } from '../../../src/areas/bank/find/FindOrDo';
import type { Account } from '../../../src/areas/people/session';
import { at, Served, settled } from '../../served';

afterEach(cleanup);

it('what can be done stands once for what was typed, also where two lead to the same page', async () => {
  new Served({ 'GET /banks/{id}/find': { found: [] } });
  await at('/', '/', <FindOrDo bank={1} account={{ role: 'author' } as Account} />);
  fireEvent.keyDown(window, { key: 'k', ctrlKey: true });
  await settled();
  for (const typed of ['e', 'ex', 'export']) fireEvent.change(screen.getByRole('combobox'), { target: { value: typed } });
  await settled();
  expect(screen.getAllByRole('option').map((line) => line.textContent.replace(/^do/, '').trim())).toEqual([
    'Save questions as a file',
    'Save an assessment as a file',
  ]);
});
