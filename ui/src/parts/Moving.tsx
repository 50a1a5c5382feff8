import { DndContext, MouseSensor, pointerWithin, TouchSensor, useDraggable, useDroppable, useSensor, useSensors } from '@dnd-kit/core';
import type { ReactNode } from 'react';

// Things below each other that are moved by dragging: with the mouse at once, with a finger at a grip or after a moment, so that
// a page still scrolls. Whoever has no pointer moves them by keys, which is the matter of whoever shows them.

/** A finger at a grip moves the thing at once; elsewhere only after a moment, and the page is scrolled. */
class Finger extends TouchSensor {
  constructor(props: ConstructorParameters<typeof TouchSensor>[0]) {
    const isAtGrip = props.event.target instanceof Element && props.event.target.closest('[data-grip], .handle') !== null;
    super(isAtGrip ? { ...props, options: { ...props.options, activationConstraint: { distance: 3 } } } : props);
  }
}

type Called = string | ((i: number) => string);

const words = (what: Called, i: unknown) => (typeof what === 'string' ? `${what} ${Number(i) + 1}` : what(Number(i)));

/** Around things that can be moved: from place to place, from 0. What they are called, with their number behind it or by their place. */
export function Moving({ what, onMove, children }: { what: Called; onMove: (from: number, to: number) => void; children: ReactNode }) {
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 5 } }),
    useSensor(Finger, { activationConstraint: { delay: 120, tolerance: 12 } }),
  );
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={pointerWithin}
      onDragEnd={({ active, over }) => over && active.id !== over.id && onMove(Number(active.id), Number(over.id))}
      accessibility={{
        announcements: {
          onDragStart: ({ active }) => `${words(what, active.id)} is taken up.`,
          onDragOver: () => undefined,
          onDragEnd: ({ active, over }) =>
            over
              ? `${words(what, active.id)} is now ${typeof what === 'string' ? `number ${Number(over.id) + 1}` : `at ${what(Number(over.id))}`}.`
              : 'Nothing was moved.',
          onDragCancel: () => 'Nothing was moved.',
        },
        screenReaderInstructions: { draggable: '' },
      }}
    >
      {children}
    </DndContext>
  );
}

/** What takes the thing at a place up: give both to the element. */
export function useTakenUp(i: number, disabled: boolean) {
  const { setNodeRef, listeners, isDragging } = useDraggable({ id: i, disabled });
  return { ref: setNodeRef, listeners: listeners ?? {}, isDragging };
}

/** Where something can be put down. */
export function useDropPlace(i: number, disabled: boolean) {
  const { setNodeRef, isOver, active } = useDroppable({ id: i, disabled });
  return { ref: setNodeRef, isOver: isOver && active?.id !== i };
}

/** One of the things, as a row to drop others on. */
export function MovingRow({
  i,
  disabled,
  wraps = false,
  children,
}: {
  i: number;
  disabled: boolean;
  wraps?: boolean;
  children: ReactNode;
}) {
  const { ref, isOver } = useDropPlace(i, disabled);
  return (
    <div ref={ref} className={`flex items-baseline gap-3 ${wraps ? 'flex-wrap' : ''} ${isOver ? 'drop-here' : ''}`}>
      {children}
    </div>
  );
}
