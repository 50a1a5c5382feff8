import { memo } from 'react';
import { HandleMenu } from '../../../parts/HandleMenu';

interface Props {
  /** place of the row, from 0 */
  i: number;
  what: string;
  readOnly: boolean;
  /** whether it can be dragged to another place */
  moves?: boolean;
  onCopy: () => void;
  onUp: () => void;
  onDown: () => void;
  onRemove: () => void;
  /** What else can be done with a row of this kind. */
  more?: [string, () => void][];
}

/** A row's number: dragged to move the row, pressed for what can be done with it. */
export const Handle = memo(function Handle({ i, what, readOnly, moves = true, onCopy, onUp, onDown, onRemove, more = [] }: Props) {
  if (readOnly) return <span className="fig w-4 text-quiet">{i + 1}</span>;
  const items: [string, string, () => void][] = [
    ['copy', 'Ctrl D', onCopy],
    ['move up', 'Alt ↑', onUp],
    ['move down', 'Alt ↓', onDown],
    ['take out', 'Backspace when empty', onRemove],
    ...more.map(([words, act]): [string, string, () => void] => [words, '', act]),
  ];
  return <HandleMenu i={i} label={`${what} ${i + 1}: copy, move, take out`} moves={moves} items={items} />;
});
