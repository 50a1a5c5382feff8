import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { TextTools } from '../../../src/areas/bank/page/TextTools';
import { ObjectiveField } from '../../../src/areas/bank/question/ObjectiveField';
import { LineNotes, CommentHere } from '../../../src/kinds/common/lines/LineNotes';
import { LinesContext } from '../../../src/kinds/common/lines/lines';
import { type Standing, StandingContext } from '../../../src/kinds/common/lines/StandingContext';
import { Confirm } from '../../../src/parts/fields/Confirm';
import { at, Served, settled } from '../../served';
import { field, key, pick, press, write } from '../../written';

afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
});

describe('the objective of a question', () => {
  const rows = ['Colony life', 'Colony life > Castes', 'Hive inspection'].map((path, id) => ({
    objective: { id, path, name: path, depth: 0 },
    cells: {},
  }));
  const open = async (value = 'Colony life') => {
    new Served({ 'GET /banks/{id}/board': { bank: { id: 1, name: 'B' }, kinds: [], rows, inReview: 0 } });
    const chosen = vi.fn();
    await at('/', '/', <ObjectiveField bank={1} value={value} readOnly={false} onChange={chosen} />);
    press(`Objective: ${value === '' ? 'no objective' : value}, change`);
    await settled();
    return chosen;
  };
  const type = (typed: string, how = 'Enter') => {
    write('Objective, levels parted by >', typed);
    key('Objective, levels parted by >', how);
  };

  it.each([
    ['one that is there, as it is written there', 'colony LIFE>castes', 'Colony life > Castes'],
    ['none, when that is said', 'none', ''],
  ])('is %s', async (_, typed, expected) => {
    const chosen = await open();
    type(typed);
    expect(chosen).toHaveBeenCalledWith(expected);
  });

  it.each([
    ['emptied by mistake', '', 'Enter'],
    ['the same', ' Colony life ', 'Enter'],
    ['left', 'Hive inspection', 'Escape'],
  ])('stays when it is %s', async (_, typed, how) => {
    const chosen = await open();
    type(typed, how);
    expect(chosen).not.toHaveBeenCalled();
  });

  it('is asked about once when it is not there yet, with what is near', async () => {
    const chosen = await open('');
    type('Hive > Inspections');
    expect(screen.getByRole('alert').textContent).toContain('“Hive > Inspections” is no objective of this bank yet.');
    press('Take “Hive inspection”');
    expect(chosen).toHaveBeenCalledWith('Hive inspection');
  });

  it('is made anew, or left, when that is said', async () => {
    const chosen = await open();
    type('Wax > Moths');
    press('leave “Colony life”');
    expect(chosen).not.toHaveBeenCalled();
    press('Objective: Colony life, change');
    type('Wax>Moths');
    press('make a new one');
    expect(chosen).toHaveBeenCalledWith('Wax > Moths');
  });
});

describe('the tools of a text', () => {
  const open = async () => {
    new Served({ 'GET /banks/{id}/pages': { pages: [{ id: 1, name: 'look again', heading: 'Look again', reads: 'Because.' }] } });
    function Page() {
      const [text, setText] = useState('the queen lays');
      return (
        <>
          <TextTools bank={1} />
          <textarea aria-label="Stem" value={text} onChange={(e) => setText(e.target.value)} />
        </>
      );
    }
    await at('/', '/', <Page />);
    act(() => field('Stem').focus());
    field('Stem').setSelectionRange(4, 9);
  };

  it('mark the words that are chosen in the text that had the focus', async () => {
    await open();
    press('strong');
    expect(field('Stem').value).toBe('the **queen** lays');
    press('strong');
    press('formula');
    expect(field('Stem').value).toContain('$');
  });

  it('put a page of the bank into the text', async () => {
    await open();
    pick('A page of the bank in the text', 'look again');
    expect(field('Stem').value).toBe('the [Look again](page:look%20again) lays');
  });

  it('take a file in, and ask for what it shows before it is put in', async () => {
    await open();
    const sent: string[] = [];
    vi.spyOn(globalThis, 'fetch').mockImplementation((url) => {
      sent.push(typeof url === 'string' ? url : 'no address');
      return Promise.resolve(new Response(JSON.stringify({ name: 'hive 2.png', url: '/m', type: 'image/png', bytes: 3 })));
    });
    act(() => {
      window.dispatchEvent(new CustomEvent('zetema:file', { detail: new File(['x'], 'hive.png', { type: 'image/png' }) }));
    });
    await settled();
    expect(sent).toEqual(['/api/banks/1/media/hive.png']);
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'put it into the text' }).disabled).toBe(true);
    fireEvent.change(screen.getByLabelText(/^what “hive 2.png” shows/), { target: { value: 'A [hive] in snow' } });
    press('put it into the text');
    expect(field('Stem').value).toBe('the ![A hive in snow](hive 2.png) lays');
  });

  it.each([
    ['a picture', 'image/png', 8_000_001, 'a picture may have up to 8 MB'],
    ['a film', 'video/mp4', 30_000_001, 'a sound or film may have up to 30 MB'],
  ])('refuse %s that is too large before anything is sent', async (_, type, size, words) => {
    await open();
    const fetched = vi.spyOn(globalThis, 'fetch');
    const file = new File(['x'], 'large', { type });
    Object.defineProperty(file, 'size', { value: size });
    act(() => {
      window.dispatchEvent(new CustomEvent('zetema:file', { detail: file }));
    });
    await settled();
    expect([screen.getByRole('alert').textContent.includes(words), fetched.mock.calls.length]).toEqual([true, 0]);
  });
});

describe('comments and notes at a line', () => {
  const proof = {
    rule: 'all or none',
    where: 'answer:5',
    message: '“none” is hard to defend.',
    reason: 'It tells.',
    remedy: 'Write another.',
    waved: null,
  };
  const comment = {
    id: 3,
    where: 'answer:5',
    text: 'Is that so?',
    by: 'E. Penhale',
    at: '2026-11-25T10:00:00+00:00',
    answers: [],
    closedAt: null,
    closedBy: null,
  };
  const show = (more: Partial<Standing> = {}, lines: Record<string, number[]> = { answer: [7, 5] }, where = 'answer 2') => {
    const done = { waveOff: vi.fn(), bringBack: vi.fn(), comment: vi.fn(), changeComment: vi.fn() };
    const standing = { proofs: [proof], comments: [comment], mayWrite: true, ...done, ...more };
    render(
      <LinesContext value={lines}>
        <StandingContext value={standing}>
          <LineNotes where={where} />
          <CommentHere where={where} />
        </StandingContext>
      </LinesContext>,
    );
    return done;
  };

  it('stand at the answer they are about, wherever that stands', () => {
    show();
    expect(document.body.textContent).toContain('“none” is hard to defend.');
    expect(document.body.textContent).toContain('E. Penhale, 25 November 2026: Is that so?');
    cleanup();
    show({}, { answer: [7, 5] }, 'answer 1');
    expect(document.body.textContent).not.toContain('Is that so?');
  });

  it('stand at the question, and say so, when their answer is gone', () => {
    show({}, { answer: [7] }, '');
    expect(document.body.textContent).toContain('at a line that was taken out: Is that so?');
  });

  it('are waved off for a reason, and brought back', () => {
    const { waveOff } = show();
    press('why');
    expect(document.body.textContent).toContain('It tells. Write another.');
    press('wave off');
    write('Reason for waving it off', 'It is pinned.');
    fireEvent.submit(field('Reason for waving it off'));
    expect(waveOff).toHaveBeenCalledWith(proof, 'It is pinned.');
    cleanup();
    const waved = { ...proof, waved: { by: 'M. Orrell', reason: 'It is pinned.' } };
    const { bringBack } = show({ proofs: [waved] });
    press('bring back');
    expect(bringBack).toHaveBeenCalledWith(waved);
  });

  it('are answered, closed, and made by the id of their line', () => {
    const { changeComment, comment: made } = show();
    press('answer');
    write('Answer to the comment', ' Yes. ');
    fireEvent.submit(field('Answer to the comment'));
    press('close');
    expect(changeComment.mock.calls).toEqual([[comment, { text: 'Yes.' }], [comment, { closed: true }]]); // prettier-ignore
    press('Comment on answer 2');
    write('Comment on answer 2', '   ');
    fireEvent.submit(field('Comment on answer 2'));
    expect(made).not.toHaveBeenCalled();
    write('Comment on answer 2', 'Why?');
    fireEvent.submit(field('Comment on answer 2'));
    expect(made).toHaveBeenCalledWith('answer:5', 'Why?');
  });
});

describe('what cannot be brought back', () => {
  it('is asked about twice', () => {
    const sure = vi.fn();
    render(<Confirm ask="Throw it away" act="throw it away" pending={false} error={null} onSure={sure} />);
    press('Throw it away');
    press('keep it');
    expect(sure).not.toHaveBeenCalled();
    press('Throw it away');
    press('throw it away');
    expect(sure).toHaveBeenCalledTimes(1);
  });
});
