import { DropdownMenu } from 'radix-ui';
import { useRef, useState } from 'react';
import type { Schema } from '../../../api/client';
import { useTakenUp } from '../../../parts/Moving';
import type { ObjectiveChanges } from './useObjectiveChanges';
import { step } from './tree';

type Objective = Schema['Objective'];
export type Doing = 'describe' | 'add' | 'merge' | 'remove';

const ways = { ArrowUp: 'up', ArrowDown: 'down', ArrowRight: 'in', ArrowLeft: 'out' } as const;

/** The sign before an objective: dragged to move it, pressed for what can be done with it, Alt and an arrow to move it by keys. */
export function ObjectiveMenu(props: {
  i: number;
  objectives: Objective[];
  objective: Objective;
  changes: ObjectiveChanges;
  onDo: (what: Doing) => void;
}) {
  const { i, objectives, objective, changes, onDo } = props;
  const { ref, listeners, isDragging } = useTakenUp(i, false);
  const [open, setOpen] = useState(false);
  /** when the pointer went down: the press itself would shut the menu first */
  const wasOpen = useRef(false);
  const go = (way: 'up' | 'down' | 'in' | 'out') => {
    const move = step(objectives, objective, way);
    if (move && !changes.change.isPending) changes.change.mutate({ do: 'move', id: objective.id, ...move });
  };
  const items: [string, string, () => void][] = [
    ['name, code, description', 'F2', () => onDo('describe')],
    ['add one below it', 'Insert', () => onDo('add')],
    ['move up', 'Alt ↑', () => go('up')],
    ['move down', 'Alt ↓', () => go('down')],
    ['move below the one before it', 'Alt →', () => go('in')],
    ['move out', 'Alt ←', () => go('out')],
    ['merge into another', '', () => onDo('merge')],
    ['take out', 'Delete', () => onDo('remove')],
  ];
  return (
    <DropdownMenu.Root modal={false} open={open && !isDragging} onOpenChange={setOpen}>
      <DropdownMenu.Trigger
        ref={ref}
        className="handle fig"
        data-objective={objective.id}
        aria-label={`${objective.name}: change, move, merge, take out`}
        {...listeners}
        onPointerDownCapture={(e) => {
          wasOpen.current = open;
          e.stopPropagation();
        }}
        onClick={() => setOpen(!wasOpen.current)}
        onKeyDown={(e) => {
          const way = e.altKey ? ways[e.key as keyof typeof ways] : undefined;
          const what = ({ F2: 'describe', Insert: 'add', Delete: 'remove' } as const)[e.key];
          if (way) go(way);
          else if (what) onDo(what);
          else return;
          e.preventDefault();
        }}
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
}
