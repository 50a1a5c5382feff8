import type { Schema } from '../../../api/client';
import { HandleMenu } from '../../../parts/HandleMenu';
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
    <HandleMenu
      i={i}
      label={`${objective.name}: change, move, merge, take out`}
      of={`objective ${objective.id}`}
      items={items}
      onKeyDown={(e) => {
        const way = e.altKey ? ways[e.key as keyof typeof ways] : undefined;
        const what = ({ F2: 'describe', Insert: 'add', Delete: 'remove' } as const)[e.key];
        if (way) go(way);
        else if (what) onDo(what);
        else return;
        e.preventDefault();
      }}
    />
  );
}
