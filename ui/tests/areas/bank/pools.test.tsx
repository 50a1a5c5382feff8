import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { afterEach, describe, expect, it, test, vi } from 'vitest';
import type { Filter } from '../../../src/areas/bank/list/filter';
import { PoolOfChosen } from '../../../src/areas/bank/list/pools/PoolOfChosen';
import { PoolsLine } from '../../../src/areas/bank/list/pools/PoolsLine';
import type { Pool, PoolChanges } from '../../../src/areas/bank/list/pools/usePoolChanges';

afterEach(cleanup);

const claims: Pool = {
  id: 1,
  name: 'Claims',
  filter: { kind: 'claim' },
  questions: 20,
  cleared: 18,
  waiting: { draft: 2 },
  drawnBy: ['Spring'],
};
const byHand: Pool = { id: 2, name: 'Open evening', filter: null, questions: 6, cleared: 6, waiting: {}, drawnBy: [] };

/** Changes that are told to `told`, and succeed at once. */
function changes(told: (body: object) => void): PoolChanges {
  const mutate = (body: object, then?: { onSuccess?: () => void }) => {
    told(body);
    then?.onSuccess?.();
  };
  return {
    change: { mutate, isPending: false, error: null },
    undo: { isPending: false, error: null },
    last: undefined,
    undoLast: () => undefined,
  } as unknown as PoolChanges;
}

function line(filter: Filter, readOnly = false, pools = [claims, byHand]) {
  const told = vi.fn<(body: object) => void>();
  render(
    <MemoryRouter>
      <PoolsLine bank={3} pools={pools} filter={filter} changes={changes(told)} readOnly={readOnly} />
    </MemoryRouter>,
  );
  return told;
}

describe('the pools of a bank, above its questions', () => {
  test.each<[string, Filter, string[], boolean]>([
    ['all questions', {}, [], false],
    ['the filter of a pool', { kind: 'claim' }, ['Claims'], false],
    ['a pool made by hand', { pool: 2 }, ['Open evening'], false],
    ['another filter', { kind: 'claim', tag: 'spring' }, [], true],
    ['what waits for me, which is another thing for everybody', { waiting: 'me' }, [], false],
    ['part of a pool made by hand', { pool: 2, kind: 'one' }, [], false],
  ])('%s: says which is open, and offers to keep what none is', (_, filter, open, offered) => {
    line(filter);
    expect(screen.queryAllByRole('link', { current: true }).map((link) => link.textContent.replace(/ \d+$/, ''))).toEqual(open);
    expect(screen.queryByText('keep this filter as a pool') !== null).toBe(offered);
  });

  it('lead each to what it holds, and back', () => {
    line({ kind: 'claim' });
    expect(screen.getByRole('link', { name: /Claims/ }).getAttribute('href')).toBe('/banks/3/questions');
    expect(screen.getByRole('link', { name: /Open evening/ }).getAttribute('href')).toBe('/banks/3/questions?pool=2');
  });

  it('says how many can be drawn and by what, and keeps what is drawn from', () => {
    line({ kind: 'claim' });
    expect(screen.getByText(/18 questions can be drawn/).textContent).toContain(': 2 are drafts; it is drawn from by “Spring”.');
    expect(screen.queryByText('take the pool apart')).toBeNull();
  });

  it.each<[string, Partial<Pool>, string]>([
    ['all', {}, 'by hand; all of it can be drawn.'],
    [
      'none, since none is cleared',
      { cleared: 0, waiting: { retired: 1, draft: 3, 'in review': 2 } },
      'none of it can be drawn: 3 are drafts, 2 are in review, 1 is retired.',
    ],
    ['none, since it is empty', { questions: 0, cleared: 0 }, 'nothing is in it, so that nothing can be drawn.'],
    ['none, since nothing fits', { questions: 0, cleared: 0, filter: { kind: 'place' } }, 'nothing fits it, so that nothing can be drawn.'],
  ])('why not all of it can be drawn: %s', (_, more, words) => {
    const pool = { ...byHand, ...more };
    line(pool.filter ?? { pool: 2 }, false, [pool]);
    expect(document.body.textContent).toContain(words);
  });

  it('keeps the filter under a name; under that of another, it takes its place', () => {
    const told = line({ kind: 'one' });
    fireEvent.click(screen.getByText('keep this filter as a pool'));
    fireEvent.change(screen.getByLabelText('Name of the pool'), { target: { value: 'Ones' } });
    fireEvent.click(screen.getByText('keep it'));
    fireEvent.click(screen.getByText('keep this filter as a pool'));
    fireEvent.change(screen.getByLabelText('Name of the pool'), { target: { value: 'claims' } });
    fireEvent.click(screen.getByText('let “Claims” hold this instead'));
    expect(told.mock.calls.map(([body]) => body)).toEqual([
      { do: 'keep', name: 'Ones', filter: { kind: 'one' } },
      { do: 'hold', id: 1, filter: { kind: 'one' } },
    ]);
  });

  it('offers a reader nothing to change', () => {
    line({ pool: 2 }, true);
    expect(screen.queryAllByRole('button')).toEqual([]);
  });
});

it('puts what is chosen into a pool made by hand, new or not, and takes it out of the open one', () => {
  const told = vi.fn<(body: object) => void>();
  const none = vi.fn();
  const chosen = { has: () => true, count: 2, toggle: vi.fn(), all: vi.fn(), none, body: () => ({ ids: [7, 8] }) };
  render(<PoolOfChosen pools={[claims, byHand]} pool={byHand} chosen={chosen} changes={changes(told)} />);
  fireEvent.click(screen.getByText('take out of Open evening'));
  fireEvent.click(screen.getByText('a new pool …'));
  const field = screen.getByLabelText('Name of a new pool');
  fireEvent.change(field, { target: { value: 'Autumn' } });
  fireEvent.keyDown(field, { key: 'Enter' });
  expect(told.mock.calls.map(([body]) => body)).toEqual([
    { do: 'take out', id: 2, ids: [7, 8] },
    { do: 'gather', name: 'Autumn', ids: [7, 8] },
  ]);
  expect(none).toHaveBeenCalledOnce();
});
