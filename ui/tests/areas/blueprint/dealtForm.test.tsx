import { cleanup, screen, within } from '@testing-library/react';
import { afterEach, expect, it, vi } from 'vitest';
import { DealtForm, reasons } from '../../../src/areas/blueprint/DealtForm';
import type { Document } from '../../../src/areas/blueprint/document';
import { asked, blueprintOf } from '../../planned';
import { at, Served, settled } from '../../served';
import { press, typeOver } from '../../written';

afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
});

// Newer browsers return a promise.
Element.prototype.scrollIntoView = () => Promise.resolve() as never;

const document = {
  v: 2,
  title: 'Paper',
  sections: [
    {
      id: 'a',
      steps: [
        { id: 'p', page: 'welcome' },
        { id: 'q', question: 'trim' },
      ],
    },
    { id: 'b', steps: [{ id: 'd', draw: { take: 1, pool: { objective: 'Lamps', kinds: ['one'] } } }] },
  ],
} as Document;
const blueprint = blueprintOf({}, { steps: { q: asked(1, '2'), d: asked(1, '2', { fit: 7 }) } });

const question = (id: number, step: number, stem: string) => ({ id, step, kind: 'one', objective: 'Lamps', stem, worth: '2' });
const forms: Record<number, object> = {
  1: { seed: 1, points: '4', questions: [question(7, 1, 'How is it trimmed?'), question(8, 2, 'Which wick?')] },
  2: { seed: 2, points: '4', questions: [question(7, 1, 'How is it trimmed?'), question(9, 2, 'Which oil?')] },
};

async function open() {
  const served = new Served({
    'POST /blueprints/{id}/deal': ({ body }) =>
      forms[(body as { seed: number }).seed] ?? { refuse: 409, detail: 'only 1 fits', type: 'cannot-deal' },
  });
  await at('/', '/', <DealtForm blueprint={blueprint} document={document} seed={1} onSeed={() => undefined} onClose={() => undefined} />);
  await settled();
  return served;
}
const lines = (seed: number) =>
  within(screen.getByRole('list', { name: `Seed ${seed}` }))
    .getAllByRole('listitem')
    .map((li) => li.textContent);

it('tells why each question stands in it, by the step that asks for it', async () => {
  expect(reasons(blueprint, document)).toEqual(['step 2: it stands in every form', 'step 3: take 1 of Lamps: one of 7']);
  await open();
  expect(lines(1)).toEqual([
    '1How is it trimmed?2one · step 2: it stands in every form',
    '2Which wick?2one · step 3: take 1 of Lamps: one of 7',
  ]);
});

it('stands beside another seed, with what only one of them has', async () => {
  const served = await open();
  expect(served.calls).toHaveLength(1);
  press('beside another');
  await settled();
  expect(screen.getByRole('region', { name: 'A form' }).textContent).toContain('both have 1 question of 2');
  expect([lines(1)[1], lines(2)[1]]).toEqual([
    '2Which wick?2only here · one · step 3: take 1 of Lamps: one of 7',
    '2Which oil?2only here · one · step 3: take 1 of Lamps: one of 7',
  ]);
  typeOver('The other seed', '5');
  await settled();
  expect(screen.getByRole('alert').textContent).toContain('only 1 fits');
  press('one alone');
  expect(screen.queryByRole('alert')).toBeNull();
  expect(cleanup).not.toThrow();
});
