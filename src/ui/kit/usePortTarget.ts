import { useDraggable, useDroppable } from '@dnd-kit/core';
import type { Run } from '@/core/job/records/run';

/** A port that a run can be dropped on, and dragged off again when it holds one. `id` is the port's key. */
export function usePortTarget(id: string, run: Run | null) {
  const drop = useDroppable({ id });
  const drag = useDraggable({ id: `at ${id}`, data: { runId: run?.id }, disabled: !run });
  return {
    isOver: drop.isOver,
    listeners: drag.listeners,
    ref: (node: HTMLElement | null) => {
      drop.setNodeRef(node);
      drag.setNodeRef(node);
    },
  };
}
