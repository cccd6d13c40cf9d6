'use client';

import { DndContext, DragOverlay, PointerSensor, pointerWithin, useSensor, useSensors } from '@dnd-kit/core';
import { type ReactNode, useEffect, useRef } from 'react';
import type { Run } from '@/core/job/records/run';

function placeAt({ x, y }: { x: number; y: number }): string | null {
  const places = document.elementsFromPoint(x, y).map((element) => element.closest<HTMLElement>('[data-place]'));
  return places.find(Boolean)?.dataset.place ?? null;
}

/**
 * Where runs are carried by pointer. Draggables say `{ runId }` in their data, places their key in `data-place`; a drop
 * gives the key of the place under the pointer, or null. The label of the run in hand follows the pointer.
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
  onPickUp: (runId: string) => void;
  onDrop: (runId: string, place: string | null) => void;
  onCancel: () => void;
  children: ReactNode;
}) {
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 4 } }));
  // What lies under the pointer is asked at the drop: a quick hand is ahead of the last frame.
  const pointer = useRef({ x: 0, y: 0 });
  useEffect(() => {
    const follow = ({ clientX, clientY }: PointerEvent) => {
      pointer.current = { x: clientX, y: clientY };
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
      collisionDetection={pointerWithin}
      onDragStart={({ active }) => onPickUp(String(active.data.current?.runId))}
      onDragEnd={({ active }) => onDrop(String(active.data.current?.runId), placeAt(pointer.current))}
      onDragCancel={onCancel}
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
