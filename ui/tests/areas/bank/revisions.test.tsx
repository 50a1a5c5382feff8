import { cleanup, screen } from '@testing-library/react';
import { afterEach, describe, expect, it } from 'vitest';
import { RevisionRows } from '../../../src/areas/bank/question/RevisionRows';
import type { Edit, Question } from '../../../src/areas/bank/question/useDraft';
import { at, Served, settled } from '../../served';
import { press } from '../../written';

afterEach(cleanup);

const revision = (number: number) => ({ number, by: 'M. Orrell', savedAt: '2026-11-03T10:00:00Z', cleared: false });
const question = { id: 7, revision: 2, version: 4, revisions: [revision(2), revision(1)] } as unknown as Question;

describe('an older revision that is made the newest again', () => {
  it.each([
    ['draft', null, 'Its status is draft; nothing of it is dealt until revision 3 is cleared.'],
    ['draft', 2, 'Its status is draft; revision 2 is dealt until revision 3 is cleared.'],
    ['cleared', 3, 'Its status is cleared, and it is dealt so.'],
  ])('says where the question stands now: %s, cleared at %s', async (status, clearedRevision, says) => {
    const adopted: Question[] = [];
    new Served({
      'GET /questions/{id}/revisions/{number}': { lines: [{ change: 'added', text: 'yes: The queen' }] },
      'POST /questions/{id}/restore': { revision: 3, status, clearedRevision },
    });
    const edit = { versionRef: { current: 4 }, adopt: (saved: Question) => adopted.push(saved) } as unknown as Edit;
    await at('/', '/', <RevisionRows question={question} edit={edit} readOnly={false} />);
    press('what it was');
    await settled();
    expect(screen.queryByRole('status')).toBeNull();
    press('Make revision 1 the newest again');
    await settled();
    expect(screen.getByRole('status').textContent).toBe(`Revision 1 is the newest again, saved as revision 3. ${says}`);
    expect(adopted).toHaveLength(1);
  });
});
