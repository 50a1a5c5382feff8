import { cleanup, screen } from '@testing-library/react';
import { afterEach, describe, expect, it } from 'vitest';
import { HintRows } from '../../../src/areas/bank/question/feedback/HintRows';
import { NoteRows } from '../../../src/areas/bank/question/feedback/NoteRows';
import { SaysRows } from '../../../src/areas/bank/question/feedback/SaysRows';
import { SettingsSentence } from '../../../src/areas/bank/question/SettingsSentence';
import type { Content, ContentOf, Kind } from '../../../src/kinds/content';
import { kinds } from '../../../src/kinds/facts.gen';
import { field, edited, margin, pick, press, typeOver, write } from '../../written';

const question = <K extends Kind>(kind: K, part: Partial<ContentOf<K>> = {}) =>
  ({ ...kinds[kind].empty, stem: 'Which?', ...part }) as Content;
const sentence = (content: Content, bank: Record<string, string> = {}) =>
  edited(content, (parts) => <SettingsSentence {...parts} margin={margin()} bankSettings={bank} problem={null} readOnly={false} />);
const text = () => document.body.textContent;

afterEach(cleanup);

describe('the settings of a question', () => {
  it('are told in a sentence, from the house where nothing is set', () => {
    sentence(question('one'));
    expect(text()).toContain('1 point, whole · 1 attempt');
    expect(text()).toContain('wrong costs 0 · blank costs 0 · floor none · no time limit · graded');
    expect(text()).toContain('all from the house rules');
  });

  it('are typed over as people write them', () => {
    const { now } = sentence(question('one'));
    typeOver('Points', '2,5');
    typeOver('Attempts', '3');
    typeOver('What a later attempt costs', '1, 50 %');
    typeOver('Floor', '−3');
    pick('Which attempt stands', 'best');
    typeOver('Time', '90 s');
    pick('Out of time', 'counts as blank');
    expect(now().settings).toEqual({
      points: '2,5',
      attempts: '3',
      'attempt costs': '1, 50 %',
      floor: '-3',
      stands: 'best',
      time: '90 s',
      late: 'blank',
    });
  });

  it('say where they come from, and are set back one by one', () => {
    const { now } = sentence(question('one', { settings: { points: '5', 'wrong costs': '1' } }), { 'wrong costs': '2', attempts: '2' });
    expect(text()).toContain('attempts from the bank');
    press('Set wrong costs back to 2 (bank)');
    expect([now().settings, text().includes('wrong costs 2')]).toEqual([{ points: '5' }, true]);
    press('Set points back to 1 (house)');
    expect(now().settings).toEqual({});
  });

  it.each<[Kind, string]>([
    ['one', 'answers in the order written in column'],
    ['several', '· choose any'],
    ['text', 'ignores case · 0 typos allowed'],
    ['gaps', 'a wrong part costs 0 right parts'],
    ['number', 'units none · asks for any figures'],
    ['regions', '1 click allowed · areas hidden'],
    ['rating', 'recorded only, earns nothing'],
  ])('of kind %s have words of their own', (kind, words) => {
    sentence(question(kind, kind === 'gaps' ? { settings: { marking: 'parts' } } : {}));
    expect(text()).toContain(words);
  });

  it('of several cost a right part for each wrong one', () => {
    sentence(question('several', { settings: { marking: 'parts' } }));
    expect(text()).toContain('a wrong part costs 1 right part');
  });

  it('go over to weights and back with the points', () => {
    const { now } = sentence(question('one', { settings: { points: '7' } }));
    pick('Marking', 'weighed');
    expect(now().settings).toEqual({ marking: 'weighed' });
    pick('Marking', 'whole');
    expect(now().settings).toEqual({ marking: 'whole', points: '7' });
  });

  it('take the keys away where everything is only recorded', () => {
    const { now } = sentence(question('one'));
    pick('Graded', 'recorded only, without a key');
    expect([now().settings, JSON.stringify(now()).includes('"key":true')]).toEqual([{ key: 'none' }, false]);
    pick('Graded', 'judged, not graded');
    expect(now().settings).toEqual({ graded: 'no' });
  });

  it('that were refused say why at their place', () => {
    edited(question('one', { settings: { points: 'many' } }), (parts) => (
      <SettingsSentence
        {...parts}
        margin={null}
        bankSettings={{}}
        problem={{ field: 'points', message: '“many” is no number' }}
        readOnly={false}
      />
    ));
    expect(screen.getByRole('alert').textContent).toBe('“many” is no number');
  });

  it('that were refused when they were typed go back to what counted, the reason beside it', () => {
    // The server refuses whatever is no number.
    const { now } = edited(question('one', { settings: { points: '3' } }), (parts) => (
      <SettingsSentence
        {...parts}
        margin={margin()}
        bankSettings={{}}
        problem={parts.content.settings?.points === 'many' ? { field: 'points', message: '“many” is no number' } : null}
        readOnly={false}
      />
    ));
    typeOver('Points', 'many');
    expect(now().settings).toEqual({ points: '3' });
    expect(screen.getByRole('button', { name: 'Points: 3, change' }).parentElement?.textContent).toContain('3“many” is no number');
    typeOver('Points', '4');
    expect([now().settings, screen.queryByRole('alert')]).toEqual([{ points: '4' }, null]);
  });
});

describe('what a question says', () => {
  const says = (content: Content, settings: Record<string, string> = {}) =>
    edited(content, (parts) => <SaysRows {...parts} margin={margin(settings)} readOnly={false} />);
  const labels = () => [...document.querySelectorAll('textarea')].map((box) => box.getAttribute('aria-label'));

  it.each<[Kind, Record<string, string>, string[]]>([
    ['one', {}, ['right', 'wrong', 'unanswered']],
    ['several', {}, ['right', 'partly right', 'wrong', 'unanswered']],
    ['claim', { time: '1 min' }, ['right', 'wrong', 'unanswered', 'out of time']],
    ['text', { attempts: '2' }, ['right', 'partly right', 'wrong on attempt 1', 'wrong', 'unanswered']],
    ['rating', {}, ['recorded']],
  ])('of kind %s with %o', (kind, settings, outcomes) => {
    says(question(kind), settings);
    expect(labels()).toEqual(outcomes.map((outcome) => `Says when ${outcome}`));
  });

  it('is written over the house words, for an attempt or for all', () => {
    const { now } = says(question('one'), { attempts: '2' });
    write('Says when wrong on attempt 1', 'Look again.');
    write('Says when wrong', 'No.');
    write('Says when wrong', 'Not this.');
    expect(now().outcomeTexts).toEqual([
      { outcome: 'wrong', text: 'Look again.', attempt: 1 },
      { outcome: 'wrong', text: 'Not this.' },
    ]);
    pick('Say something more after', 'wrong on the last attempt');
    write('Says when wrong on the last attempt', 'It was smoke.');
    expect(now().outcomeTexts?.at(-1)).toEqual({ outcome: 'wrong', onLast: true, text: 'It was smoke.' });
  });

  it('costs what it costs', () => {
    says(question('one'), { time: '1 min', late: 'blank' });
    expect(text()).toContain('earns 10');
    expect(text()).toContain('−2');
    expect(text()).toContain('counts as blank: 0');
  });
});

describe('notes and hints', () => {
  it('are said in certain cases: of an answer, an outcome, an attempt, joined by and and or', () => {
    const { now } = edited(question('one'), (parts) => <NoteRows {...parts} readOnly={false} />);
    press('Say something in certain cases');
    expect(document.activeElement).toBe(field('Note 1'));
    write('Note 1', 'Mind the queen.');
    expect(now().notes).toEqual([{ when: [[{ answer: 1, not: true }]], text: 'Mind the queen.' }]);
    pick('Condition 1 of note 1', 'answer 2 is chosen');
    press('and …');
    press('or …');
    expect(now().notes?.[0]?.when.map((all) => all.length)).toEqual([2, 1]);
    expect(now().notes?.[0]?.when[0]?.[0]).toEqual({ answer: 2 });
    press('take the note out');
    expect(now().notes).toEqual([]);
  });

  it('of a claim speak of outcomes only', () => {
    const { now } = edited(question('claim'), (parts) => <NoteRows {...parts} readOnly={false} />);
    press('Say something in certain cases');
    expect(now().notes?.[0]?.when).toEqual([[{ outcome: 'wrong' }]]);
  });

  it('help for a cost, from an attempt on', () => {
    const { now } = edited(question('one'), (parts) => <HintRows {...parts} margin={margin({ 'hint costs': '1' })} readOnly={false} />);
    press('Give a hint');
    expect(document.activeElement).toBe(field('Hint 1'));
    write('Hint 1', 'It glows.');
    expect([now().hints?.[0]?.text, text().includes('from attempt')]).toEqual(['It glows.', true]);
  });
});
