import { autocompletion, type Completion, type CompletionContext, type CompletionResult, snippet } from '@codemirror/autocomplete';
import type { EditorView } from '@codemirror/view';
import { difficulties, settings, statuses, textWords } from '../../kinds/facts.gen';

/** What may stand behind a word's colon, where it is one of a few. */
function valuesOf(word: string, objectives: string[]): string[] {
  if (word === 'objective') return objectives;
  if (word === 'status') return statuses;
  if (word === 'difficulty') return difficulties;
  return settings[word]?.words ?? [];
}

/** Words of the format at the beginning of a line, and behind some of them what there is to say; objectives are those of the bank. */
export function completionAt(context: CompletionContext, objectives: string[]): CompletionResult | null {
  const line = context.state.doc.lineAt(context.pos);
  const before = line.text.slice(0, context.pos - line.from);
  const value = /^\s*([a-z ]+):\s*([^:]*)$/.exec(before.toLowerCase());
  if (value) {
    const [, word = '', typed = ''] = value;
    const options = valuesOf(word.trim(), objectives);
    return options.length === 0 ? null : { from: context.pos - typed.length, options: options.map((label) => ({ label })), filter: true };
  }
  const word = /^\s*([a-z][a-z ]*)$/i.exec(before);
  if (!word?.[1] || (word[1].length < 2 && !context.explicit)) return null;
  const options: Completion[] = textWords.map((label) => ({ label: `${label}:`, apply: `${label}: ` }));
  return { from: context.pos - word[1].length, options, filter: true };
}

/** Offered while one types: Enter or Tab takes one, Escape leaves it; it never opens amid a sentence. */
export const completion = (objectives: () => string[]) =>
  autocompletion({ override: [(context) => completionAt(context, objectives())], icons: false, defaultKeymap: true });

/** What is put in: a text, or a template, in which what stands in braces is to be typed over. */
export interface PutIn {
  text: string;
  isTemplate: boolean;
}

/** Puts it in at the cursor, below what stands there; Tab goes from one thing to be written to the next. */
export function putIn(view: EditorView, { text, isTemplate }: PutIn) {
  const { from, to } = view.state.selection.main;
  const before = view.state.doc.sliceString(Math.max(0, from - 2), from);
  const gap = from === 0 || before === '\n\n' ? '' : before.endsWith('\n') ? '\n' : '\n\n';
  // Numbered in their order: one whose words are a number would be taken for its place.
  let place = 0;
  const fields = text.replace(/\{([^}]*)\}/g, (_, words: string) => `\${${++place}:${words}}`);
  if (isTemplate) snippet(gap + fields)(view, null, from, to);
  else view.dispatch(view.state.replaceSelection(gap + text));
  view.focus();
}
