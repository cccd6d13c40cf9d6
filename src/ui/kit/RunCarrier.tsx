'use client';

import { DndContext, DragOverlay, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import { type ReactNode, useEffect, useRef } from 'react';
import type { Run } from '@/core/job/records/run';

function elementAt({ x, y }: { x: number; y: number }): HTMLElement | null {
  const places = document.elementsFromPoint(x, y).map((element) => element.closest<HTMLElement>('[data-place]'));
  return places.find(Boolean) ?? null;
}

/** What a draggable says of itself: the run, and which end of it when it has two that can be moved. */
export type Carried = { runId: string; end?: 'panel' | 'switch' };
const noTargets = () => [];

/**
 * Where runs are carried by pointer. Draggables say what they are in their data, places their key in `data-place`; a
 * drop gives the key of the place under the pointer, or null. That place has `data-over` while something is carried.
 * The label of the run in hand follows the pointer.
 */
export function RunCarrier({
  id,
  hint,
  carried,
  onPickUp,
  onDrop,
  onCancel,
  children,
}: {
  id: string;
  hint: string;
  carried: Run | null;
  onPickUp: (what: Carried) => void;
  onDrop: (what: Carried, place: string | null) => void;
  onCancel: () => void;
  children: ReactNode;
}) {
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 4 } }));
  // What lies under the pointer is asked at the drop: a quick hand is ahead of the last frame.
  const pointer = useRef({ x: 0, y: 0 });
  const dragging = useRef(false);
  const over = useRef<HTMLElement | null>(null);
  const mark = (element: HTMLElement | null) => {
    if (over.current === element) return;
    over.current?.removeAttribute('data-over');
    element?.setAttribute('data-over', '');
    over.current = element;
  };
  const still = () => {
    dragging.current = false;
    mark(null);
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: it touches nothing but refs
  useEffect(() => {
    const follow = ({ clientX, clientY }: PointerEvent) => {
      pointer.current = { x: clientX, y: clientY };
      if (dragging.current) mark(elementAt(pointer.current));
    };
    window.addEventListener('pointermove', follow, true);
    window.addEventListener('pointerup', follow, true);
    return () => {
      window.removeEventListener('pointermove', follow, true);
      window.removeEventListener('pointerup', follow, true);
    };
  }, []);
  return (
    <DndContext
      id={id}
      sensors={sensors}
      collisionDetection={noTargets}
      onDragStart={({ active }) => {
        dragging.current = true;
        onPickUp(active.data.current as Carried);
      }}
      onDragEnd={({ active }) => {
        still();
        onDrop(active.data.current as Carried, elementAt(pointer.current)?.dataset.place ?? null);
      }}
      onDragCancel={() => {
        still();
        onCancel();
      }}
      accessibility={{ screenReaderInstructions: { draggable: hint } }}
    >
      {children}
      <DragOverlay dropAnimation={null}>
        {carried && (
          <span className="inline-block rounded-[3px] border-2 border-act bg-face px-2 py-1 font-bold font-mono shadow-lg">
            {carried.label}
          </span>
        )}
      </DragOverlay>
    </DndContext>
  );
}
