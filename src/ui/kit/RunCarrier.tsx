'use client';

import {
  DndContext,
  DragOverlay,
  type Modifier,
  PointerSensor,
  type PointerSensorOptions,
  useDraggable,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { type CSSProperties, type PointerEvent as Press, type ReactNode, useEffect, useRef } from 'react';
import type { Run } from '@/core/job/records/run';
import { SILENT } from './silentDrag';

function elementAt({ x, y }: { x: number; y: number }): HTMLElement | null {
  const places = document.elementsFromPoint(x, y).map((element) => element.closest<HTMLElement>('[data-place]'));
  return places.find(Boolean) ?? null;
}

/** The run that is carried, and which end of it when it has two that can be moved. */
export type Carried = { runId: string; end?: 'panel' | 'switch' };
/** The element that says how runs are picked up. */
const HINT = 'carry-hint';

/** What an element has that is picked up as a run, or as an end of it. It lies on a `CarryGround`. */
export const carries = (runId: string | undefined, end?: Carried['end']) =>
  runId === undefined ? {} : { 'data-carries': runId, 'data-carries-end': end, 'aria-describedby': HINT };

function carriedFrom(target: EventTarget | null): Carried | null {
  const { carries: runId, carriesEnd } =
    (target as Element | null)?.closest<HTMLElement>('[data-carries]')?.dataset ?? {};
  return runId === undefined ? null : { runId, end: carriesEnd as Carried['end'] };
}

/** Picks up what says that it is carried, and nothing else of its ground. */
class RunSensor extends PointerSensor {
  static override activators = PointerSensor.activators.map(({ eventName, handler }) => ({
    eventName,
    handler: (press: Press, options: PointerSensorOptions) =>
      carriedFrom(press.nativeEvent.target) !== null && handler(press, options),
  }));
}

/** The label in hand hangs at the pointer, wherever on its ground it was picked up. */
const atPointer: Modifier = ({ activatorEvent, draggingNodeRect, transform }) => {
  if (!draggingNodeRect || !(activatorEvent instanceof PointerEvent)) return transform;
  const { clientX, clientY } = activatorEvent;
  return {
    ...transform,
    x: transform.x + clientX - draggingNodeRect.left,
    y: transform.y + clientY - draggingNodeRect.top,
  };
};

/**
 * Where runs are picked up by pointer: one thing to drag, however many runs are on it, which scrolls at its edges while
 * something is carried.
 */
export function CarryGround({
  id,
  className,
  style,
  children,
}: {
  id: string;
  className: string;
  style?: CSSProperties;
  children: ReactNode;
}) {
  const { setNodeRef, listeners } = useDraggable({ id });
  return (
    <div ref={setNodeRef} {...listeners} className={className} style={style}>
      {children}
    </div>
  );
}

const noTargets = () => [];

/**
 * Where runs are carried by pointer, from a `CarryGround` to places that have their key in `data-place`; a drop gives the
 * key of the place under the pointer, or null. That place has `data-over` while something is carried. The label of the
 * run in hand follows the pointer.
 */
export function RunCarrier({
  hint,
  carried,
  onPickUp,
  onDrop,
  onCancel,
  children,
}: {
  hint: string;
  carried: Run | null;
  onPickUp: (what: Carried) => void;
  onDrop: (what: Carried, place: string | null) => void;
  onCancel: () => void;
  children: ReactNode;
}) {
  const sensors = useSensors(useSensor(RunSensor, { activationConstraint: { distance: 4 } }));
  // What lies under the pointer is asked at the drop: a quick hand is ahead of the last frame.
  const pointer = useRef({ x: 0, y: 0 });
  const inHand = useRef<Carried | null>(null);
  const over = useRef<HTMLElement | null>(null);
  const mark = (element: HTMLElement | null) => {
    if (over.current === element) return;
    over.current?.removeAttribute('data-over');
    element?.setAttribute('data-over', '');
    over.current = element;
  };
  const still = () => {
    inHand.current = null;
    mark(null);
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: it touches nothing but refs
  useEffect(() => {
    const follow = ({ clientX, clientY }: PointerEvent) => {
      pointer.current = { x: clientX, y: clientY };
      if (inHand.current) mark(elementAt(pointer.current));
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
      id={HINT}
      accessibility={{ screenReaderInstructions: { draggable: hint }, announcements: SILENT }}
      sensors={sensors}
      collisionDetection={noTargets}
      onDragStart={({ activatorEvent }) => {
        inHand.current = carriedFrom(activatorEvent.target);
        if (inHand.current) onPickUp(inHand.current);
      }}
      onDragEnd={() => {
        const what = inHand.current;
        still();
        if (what) onDrop(what, elementAt(pointer.current)?.dataset.place ?? null);
      }}
      onDragCancel={() => {
        still();
        onCancel();
      }}
    >
      {children}
      <DragOverlay dropAnimation={null} modifiers={[atPointer]}>
        {carried && (
          <span className="inline-block whitespace-nowrap rounded-[3px] border-2 border-act bg-face px-2 py-1 font-bold font-mono shadow-lg">
            {carried.label}
          </span>
        )}
      </DragOverlay>
    </DndContext>
  );
}
