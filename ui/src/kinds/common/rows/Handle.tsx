import { DropdownMenu } from 'radix-ui';
import { memo } from 'react';

interface Props {
  n: number;
  what: string;
  readOnly: boolean;
  drag: object;
  onCopy: () => void;
  onUp: () => void;
  onDown: () => void;
  onRemove: () => void;
  /** What else can be done with a row of this kind. */
  more?: [string, () => void][];
}

/** A row's number: dragged to move the row, pressed for what can be done with it. */
export const Handle = memo(function Handle({ n, what, readOnly, drag, onCopy, onUp, onDown, onRemove, more = [] }: Props) {
  if (readOnly) return <span className="fig w-4 text-quiet">{n}</span>;
  const items: [string, string, () => void][] = [
    ['copy', 'Ctrl D', onCopy],
    ['move up', 'Alt ↑', onUp],
    ['move down', 'Alt ↓', onDown],
    ['take out', 'Backspace when empty', onRemove],
    ...more.map(([words, act]): [string, string, () => void] => [words, '', act]),
  ];
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger className="handle fig" aria-label={`${what} ${n}: copy, move, take out`} {...drag}>
        {n}
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content className="menu" align="start" sideOffset={4}>
          {items.map(([words, keys, act]) => (
            <DropdownMenu.Item key={words} onSelect={act} className="flex justify-between gap-6">
              {words} <span className="text-quiet">{keys}</span>
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
});
