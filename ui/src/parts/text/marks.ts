import type { KeyboardEvent } from 'react';

/** Puts text where the selection is, so that the field's own change event and undo know of it. */
export function insertInto(field: HTMLTextAreaElement, text: string, select?: [number, number]) {
  const { selectionStart, selectionEnd, value } = field;
  const next = value.slice(0, selectionStart) + text + value.slice(selectionEnd);
  Object.getOwnPropertyDescriptor(HTMLTextAreaElement.prototype, 'value')?.set?.call(field, next);
  const [from, to] = select ?? [text.length, text.length];
  field.setSelectionRange(selectionStart + from, selectionStart + to);
  field.dispatchEvent(new Event('input', { bubbles: true }));
  field.setSelectionRange(selectionStart + from, selectionStart + to);
}

const chosen = (field: HTMLTextAreaElement) => field.value.slice(field.selectionStart, field.selectionEnd);

/** Puts marks around the selection, or takes them away again. */
export function surround(field: HTMLTextAreaElement, mark: string, word: string) {
  const words = chosen(field);
  if (words.startsWith(mark) && words.endsWith(mark) && words.length > 2 * mark.length) {
    insertInto(field, words.slice(mark.length, -mark.length), [0, words.length - 2 * mark.length]);
    return;
  }
  const inside = words === '' ? word : words;
  insertInto(field, mark + inside + mark, [mark.length, mark.length + inside.length]);
}

export function makeList(field: HTMLTextAreaElement) {
  const words = chosen(field);
  const lines = (words === '' ? 'an item' : words).split('\n').map((line) => `- ${line.replace(/^- /, '')}`);
  const before = field.selectionStart > 0 && field.value[field.selectionStart - 1] !== '\n' ? '\n' : '';
  insertInto(field, before + lines.join('\n'));
}

export function makeLink(field: HTMLTextAreaElement) {
  const words = chosen(field);
  const inside = words === '' ? 'words' : words;
  insertInto(field, `[${inside}](https://)`, [inside.length + 3, inside.length + 11]);
}

/** Ctrl B strong, Ctrl I emphasis, Ctrl M formula, Ctrl Shift L list. */
export function textKeys(e: KeyboardEvent<HTMLTextAreaElement>) {
  if (!(e.ctrlKey || e.metaKey) || e.altKey) return;
  const key = e.key.toLowerCase();
  const field = e.currentTarget;
  if (key === 'b') surround(field, '**', 'words');
  else if (key === 'i') surround(field, '*', 'words');
  else if (key === 'm') surround(field, '$', 'x^2');
  else if (key === 'l' && e.shiftKey) makeList(field);
  else return;
  e.preventDefault();
}
