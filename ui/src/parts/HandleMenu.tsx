import { DropdownMenu } from 'radix-ui';
import { type KeyboardEvent, useRef, useState } from 'react';
import { useTakenUp } from './Moving';

interface Props {
  /** its place among the things that can be moved, from 0 */
  i: number;
  /** what it shows; its number, from 1, unless said otherwise */
  shows?: string;
  label: string;
  moves?: boolean;
  /** what can be done, the keys for it, and the doing */
  items: [string, string, () => void][];
  onKeyDown?: (e: KeyboardEvent) => void;
  /** what it is the handle of, to find it again */
  of?: string;
}

/** The number of a thing: dragged to move it, pressed for what can be done with it. */
export function HandleMenu({ i, shows = String(i + 1), label, moves = true, items, onKeyDown, of }: Props) {
  const { ref, listeners, isDragging } = useTakenUp(i, !moves);
  const [open, setOpen] = useState(false);
  /** when the pointer went down: the press itself would shut the menu first */
  const wasOpen = useRef(false);
  // The menu opens when the pointer is let go, so that a number can be dragged without it: its own handler never sees the press.
  return (
    <DropdownMenu.Root modal={false} open={open && !isDragging} onOpenChange={setOpen}>
      <DropdownMenu.Trigger
        ref={ref}
        className="handle fig"
        data-of={of}
        aria-label={label}
        {...listeners}
        onPointerDownCapture={(e) => {
          wasOpen.current = open;
          e.stopPropagation();
        }}
        onClick={() => setOpen(!wasOpen.current)}
        onKeyDown={onKeyDown}
      >
        {shows}
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
}
