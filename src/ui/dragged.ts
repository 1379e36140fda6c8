import type { DragMoveEvent } from '@dnd-kit/core';

/** What is being dragged: a swatch of the strand, or a token or group of tokens. */
export interface Dragged {
  readonly what: 'swatch' | 'token' | 'group';
  /** Id of the swatch or token, or the group's path. */
  readonly id: string;
  readonly label: string;
  /** CSS. */
  readonly colour?: string;
}

/**
 * The data of a draggable whose parts are too many to be draggables themselves: what is dragged is found out from where
 * the pointer went down.
 */
export interface DraggedData {
  readonly at: Dragged | null;
}

export function draggedIn({ active }: Pick<DragMoveEvent, 'active'>): Dragged | null {
  return (active.data.current as DraggedData | undefined)?.at ?? null;
}

/** What lies under the pointer of a drag, as far as it bears one of the marks asked for. */
export function underPointer({ activatorEvent, delta }: DragMoveEvent, selector: string): HTMLElement | null {
  const { clientX, clientY } = activatorEvent as PointerEvent;
  return document.elementFromPoint(clientX + delta.x, clientY + delta.y)?.closest<HTMLElement>(selector) ?? null;
}
