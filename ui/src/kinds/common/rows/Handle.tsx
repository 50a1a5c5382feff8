import { DropdownMenu } from 'radix-ui';
import { memo, useRef, useState } from 'react';
import { useTakenUp } from '../../../parts/Moving';

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
  const { ref, listeners, isDragging } = useTakenUp(i, readOnly || !moves);
  const [open, setOpen] = useState(false);
  /** when the pointer went down: the press itself would shut the menu first */
  const wasOpen = useRef(false);
  if (readOnly) return <span className="fig w-4 text-quiet">{i + 1}</span>;
  const items: [string, string, () => void][] = [
    ['copy', 'Ctrl D', onCopy],
    ['move up', 'Alt ↑', onUp],
    ['move down', 'Alt ↓', onDown],
    ['take out', 'Backspace when empty', onRemove],
    ...more.map(([words, act]): [string, string, () => void] => [words, '', act]),
  ];
  // The menu opens when the pointer is let go, so that a number can be dragged without it: its own handler never sees the press.
  return (
    <DropdownMenu.Root modal={false} open={open && !isDragging} onOpenChange={setOpen}>
      <DropdownMenu.Trigger
        ref={ref}
        className="handle fig"
        aria-label={`${what} ${i + 1}: copy, move, take out`}
        {...listeners}
        onPointerDownCapture={(e) => {
          wasOpen.current = open;
          e.stopPropagation();
        }}
        onClick={() => setOpen(!wasOpen.current)}
      >
        {i + 1}
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
