import { textWork } from './limits.gen';

/** Whether showing a text would be more work than a screen can do in good time, as the core has it (TextWork). */
export function isTooMuch(text: string): boolean {
  if (text.length <= textWork.quotes) return false;
  if (new RegExp(`^(?:[ \\t]*>){${textWork.quotes + 1}}`, 'm').test(text)) return true;
  if (text.split(/\n[ \t]*\n/).some((paragraph) => (paragraph.match(/[*_]+|[[\]`^~]/g)?.length ?? 0) > textWork.signs)) return true;
  return [...text.matchAll(/\$(?=\S)([^$\n]+?)(?<=\S)\$/g)].some(
    ([, formula = '']) => formula.length > textWork.formula || depth(formula) > textWork.nested,
  );
}

function depth(formula: string): number {
  let now = 0;
  let deepest = 0;
  for (const [sign] of formula.matchAll(/\\(?:left|right|begin|end)\b|\\.|[{}]/g)) {
    if (['{', '\\left', '\\begin'].includes(sign)) now++;
    if (['}', '\\right', '\\end'].includes(sign)) now--;
    deepest = Math.max(deepest, now);
  }
  return deepest;
}
