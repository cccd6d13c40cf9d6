'use client';

import { type Data, DndContext, DragOverlay, PointerSensor, pointerWithin, useSensor, useSensors } from '@dnd-kit/core';
import type { ReactNode } from 'react';
import type { Run } from '@/core/job/records/run';

/**
 * Where runs are carried by pointer. Draggables say `{ runId }` in their data; a drop gives the data of the place under
 * the pointer, or null. The label of the run in hand follows the pointer.
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
  onDrop: (runId: string, place: Data | null) => void;
  onCancel: () => void;
  children: ReactNode;
}) {
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 4 } }));
  return (
    <DndContext
      id={id}
      sensors={sensors}
      collisionDetection={pointerWithin}
      onDragStart={({ active }) => onPickUp(String(active.data.current?.runId))}
      onDragEnd={({ active, over }) => onDrop(String(active.data.current?.runId), over?.data.current ?? null)}
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
