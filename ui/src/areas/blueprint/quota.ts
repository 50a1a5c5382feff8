import type { Schema } from '../../api/client';
import { cellOf } from '../bank/board/coverage';
import { type Document, type DrawStep, inserted, numbered, removed, replaced } from './document';

type Kind = Schema['Kind'];

const cellsOf = (document: Document, path: string, kind: string) =>
  numbered(document).filter(({ step }) => {
    const cell = 'draw' in step ? cellOf(step) : null;
    return cell?.path === path && cell.kind === kind;
  });

/** How many are drawn of a cell: the draws with just this objective and kind. */
export const taken = (document: Document, path: string, kind: string): number =>
  cellsOf(document, path, kind).reduce((sum, { step }) => sum + ('draw' in step ? step.draw.take : 0), 0);

/** How many each form has, where every path asks all. */
export const questionsIn = (document: Document) =>
  numbered(document).reduce((sum, { step }) => sum + ('draw' in step ? step.draw.take : 'question' in step ? 1 : 0), 0);

/** The document with another number in a cell of the quota board: a draw made, changed or taken out. */
export function withCell(document: Document, path: string, kind: Kind, take: number, order: string[]): Document {
  const [first, ...others] = cellsOf(document, path, kind);
  const without = (take === 0 && first ? [first, ...others] : others).reduce((doc, { step }) => removed(doc, step.id), document);
  if (take === 0) return without;
  if (first) {
    const step = first.step as DrawStep;
    return replaced(without, step.id, { ...step, draw: { ...step.draw, take } });
  }
  // A new draw goes where its objective stands on the board; else behind the last draw.
  const draws = numbered(document).filter(({ step }) => 'draw' in step);
  const next = draws.find(({ step }) => {
    const cell = cellOf(step as DrawStep);
    return cell !== null && order.indexOf(cell.path) > order.indexOf(path);
  });
  const last = document.sections[document.sections.length - 1];
  const behind = draws.at(-1);
  const place = next
    ? { section: next.section.id, index: next.index }
    : behind
      ? { section: behind.section.id, index: behind.index + 1 }
      : { section: last?.id ?? '', index: last?.steps.length ?? 0 };
  return inserted(document, place, { draw: { take, pool: { objective: path, kinds: [kind] } } }).document;
}
