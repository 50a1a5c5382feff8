import { cleanup, screen } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { ApartLine } from '../../../src/areas/bank/question/ApartLine';
import type { Edit, Question } from '../../../src/areas/bank/question/useDraft';
import { at, Served, settled } from '../../served';
import { press, write } from '../../written';

afterEach(cleanup);

const text = () => document.body.textContent;

/** The line at question 7, which never meets those given. */
async function open(apart: { id: number; words: string }[], readOnly = false) {
  const rebase = vi.fn();
  const served = new Served({
    'GET /banks/{id}/find': {
      found: [
        { what: 'question', id: 7, words: 'Itself', more: '' },
        { what: 'question', id: 9, words: 'Which oil?', more: 'oil' },
        { what: 'page', id: 2, words: 'oils', more: '' },
      ],
    },
    'PUT /questions/{id}/apart': { id: 7 },
  });
  const question = { id: 7, bank: { id: 1, name: 'Lamps' }, apart } as Question;
  await at('/', '/', <ApartLine question={question} edit={{ rebase } as unknown as Edit} readOnly={readOnly} />);
  return { served, rebase, put: () => served.asked('PUT', '/questions/{id}/apart').map(({ body }) => body) };
}

describe('what a question never meets', () => {
  it('is found by its letters and kept apart; neither itself nor a page is offered', async () => {
    const { put, rebase } = await open([]);
    expect(text()).toContain('may meet any other question');
    press('keep it apart from …');
    write('A question it never meets', 'oil');
    await settled(200);
    expect(screen.getAllByRole('listitem').map((li) => li.textContent)).toEqual(['Which oil? oil']);
    press('Which oil? oil');
    await settled();
    expect(put()).toEqual([{ before: [], others: [9] }]);
    expect(rebase).toHaveBeenCalled();
  });

  it('stands there with the way to it, and may meet again', async () => {
    const { put } = await open([
      { id: 8, words: 'wick' },
      { id: 9, words: 'oil' },
    ]);
    expect(screen.getByRole('link', { name: 'oil' }).getAttribute('href')).toBe('/banks/1/questions/9');
    press('Let it meet wick');
    await settled();
    expect(put()).toEqual([{ before: [8, 9], others: [9] }]);
  });

  it('is only read by whoever may not write, and not told where there is nothing', async () => {
    await open([{ id: 8, words: 'wick' }], true);
    expect(screen.queryAllByRole('button')).toEqual([]);
    cleanup();
    await open([], true);
    expect(text()).toBe('');
  });
});
