import { DndContext, DragOverlay, PointerSensor, useDndContext, useSensor, useSensors, type Modifier } from '@dnd-kit/core';
import { useId, type ReactNode } from 'react';
import { readColour } from '@/core/colour/read';
import { draggedIn } from '../dragged';
import css from './frame.module.css';

/**
 * What is dragged from the strand into a stage, or within a stage that has no order of its own to drag in. Who takes it
 * listens with `useDndMonitor` and looks at what lies under the pointer: thousands of cells need not be known as targets.
 */
export function SwatchDrag({ children }: { children: ReactNode }) {
  // A few pixels of movement make a drag, so that a click stays a click.
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 5 } }));
  return (
    // The same id on the server and in the page, which the library would otherwise count for itself.
    <DndContext id={useId()} sensors={sensors} autoScroll={false}>
      {children}
      <DragOverlay dropAnimation={null} modifiers={[atPointer]} style={{ pointerEvents: 'none', width: 'auto', height: 'auto' }}>
        <DraggedPatch />
      </DragOverlay>
    </DndContext>
  );
}

/** What is dragged hangs at the pointer: the library would keep its distance from the whole list it was taken from. */
const atPointer: Modifier = ({ activatorEvent, draggingNodeRect, transform }) => {
  if (!activatorEvent || !draggingNodeRect) return transform;
  const { clientX, clientY } = activatorEvent as PointerEvent;
  return {
    ...transform,
    x: transform.x + clientX - draggingNodeRect.left,
    y: transform.y + clientY - draggingNodeRect.top,
  };
};

function DraggedPatch() {
  const { active } = useDndContext();
  const dragged = active && draggedIn({ active });
  if (!dragged) return null;
  const { label, colour } = dragged;
  return (
    <span className={css.dragged}>
      {colour !== undefined && <i style={{ background: readColour(colour)?.hex }} />}
      {label}
    </span>
  );
}
