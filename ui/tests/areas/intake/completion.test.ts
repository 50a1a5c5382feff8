import { CompletionContext } from '@codemirror/autocomplete';
import { EditorState } from '@codemirror/state';
import { EditorView } from '@codemirror/view';
import { describe, expect, it } from 'vitest';
import { completionAt, putIn } from '../../../src/areas/intake/completion';
import { templates } from '../../../src/kinds/facts.gen';

const objectives = ['Hive inspection', 'Hive inspection > Reading a frame'];
const offered = (text: string, explicit = false) => {
  const state = EditorState.create({ doc: text });
  const result = completionAt(new CompletionContext(state, text.length, explicit), objectives);
  return result && { from: result.from, labels: result.options.map(({ label }) => label) };
};

describe('what is offered while one types', () => {
  it('is words of the format at the beginning of a line', () => {
    const told = offered('one: Who?\n  wro');
    expect(told?.from).toBe(12);
    expect(told?.labels).toEqual(expect.arrayContaining(['wrong costs:', 'wrong part costs:', 'yes:']));
  });

  it.each([
    ['objectives of the bank', 'objective: Hiv', objectives],
    ['the words that a setting takes', '  marking: pa', ['whole', 'parts', 'parts by place', 'parts by neighbour', 'each', 'weighed']],
    ['difficulties', '  difficulty: ', ['easy', 'medium', 'hard']],
    ['where a question may stand', '  status: in', ['draft', 'in review', 'cleared', 'retired']],
  ])('is %s behind their word', (_, text, labels) => {
    expect(offered(text)?.labels).toEqual(labels);
  });

  it.each([
    ['amid a sentence', 'one: Who lays'],
    ['behind a word that takes anything', '  points: 1'],
    ['for one letter', 'o'],
    ['in an empty line', ''],
  ])('is nothing %s', (_, text) => {
    expect(offered(text)).toBeNull();
  });

  it('is everything for one letter when asked', () => {
    expect(offered('o', true)?.labels).toContain('one:');
  });
});

describe('a template', () => {
  const put = (before: string, text: string, isTemplate = true) => {
    const view = new EditorView({ state: EditorState.create({ doc: before, selection: { anchor: before.length } }) });
    putIn(view, { text, isTemplate });
    const { from, to } = view.state.selection.main;
    const told = { text: view.state.doc.toString(), chosen: view.state.sliceDoc(from, to) };
    view.destroy();
    return told;
  };

  it('stands below what was written, with its first place chosen to be typed over', () => {
    expect(put('', templates.claim ?? '')).toEqual({
      text: 'true: A statement that is true, or false: then begin the line so.\n  hint: what helps\n  if wrong: what is said then\n',
      chosen: 'A statement that is true, or false: then begin the line so.',
    });
    expect(put('', templates.number ?? '').chosen).toBe('How many?');
    expect(put('objective: Bees', 'true: {Bees hum.}').text).toBe('objective: Bees\n\ntrue: Bees hum.');
    expect(put('objective: Bees\n\n', 'true: {Bees hum.}').text).toBe('objective: Bees\n\ntrue: Bees hum.');
  });

  it('is no template where it is a pattern: what stands in braces is its own', () => {
    expect(put('', 'one: What is $\\frac{x}{2}$?\n', false)).toEqual({ text: 'one: What is $\\frac{x}{2}$?\n', chosen: '' });
  });
});
