import type { DragEndEvent, DragMoveEvent, DragStartEvent } from '@dnd-kit/core';
import { type RefObject, useRef } from 'react';
import type { Rack } from '@/core/job/records/rack';
import { aimAt, faceSeen } from '@/core/trade/rack/arrange/aim';
import { useSessionStore } from '../session/session';
import { useCarrying } from './carrying';
import { type Frames, frameKey } from './RackFace';
import type { Carry } from './useCarry';

/** A frame takes what is held so far beside it, in pixels. */
const BESIDE_PX = 28;

/** A device that is carried by the pointer: where it would go while it moves, and where it went when it is let go. */
export function useCabinetDrag({
  racks,
  unitPx,
  frames,
  pile,
  carry,
}: {
  racks: Rack[];
  unitPx: number;
  frames: Frames;
  pile: RefObject<HTMLElement | null>;
  carry: Carry;
}) {
  const store = useSessionStore();
  const grab = useRef({ x: 0, y: 0, offset: 0 });
  const start = ({ active, activatorEvent }: DragStartEvent) => {
    const pointer = activatorEvent as PointerEvent;
    const box = (activatorEvent.target as Element).closest('[data-device]')?.getBoundingClientRect();
    grab.current = { x: pointer.clientX, y: pointer.clientY, offset: box ? pointer.clientY - box.top : unitPx / 2 };
    useCarrying.getState().set({ gearId: String(active.id), aim: null, by: 'pointer' });
  };
  const move = ({ active, delta }: DragMoveEvent) => {
    const { job } = store.getState();
    const gear = job.gear[String(active.id)];
    if (!gear) return;
    const [x, y] = [grab.current.x + delta.x, grab.current.y + delta.y];
    const { carried, set } = useCarrying.getState();
    for (const one of racks) {
      for (const side of ['front', 'rear'] as const) {
        const frame = frames.current.get(frameKey(one.id, side))?.getBoundingClientRect();
        if (!frame || x < frame.left - BESIDE_PX || x > frame.right + BESIDE_PX) continue;
        const free = gear.frame === 'free';
        const top = free
          ? Math.floor((y - frame.top) / unitPx)
          : Math.round((y - grab.current.offset - frame.top) / unitPx);
        const bottomU = one.units - top - (free ? 0 : gear.heightU - 1);
        const face = faceSeen(gear, side, x < frame.left + frame.width / 2);
        const aim = carried?.aim;
        if (aim && aim.rackId === one.id && aim.bottomU === bottomU && aim.face === face) return;
        set({ gearId: gear.id, aim: aimAt(job, one, gear, bottomU, face), by: 'pointer' });
        return;
      }
    }
    if (carried?.aim) set({ gearId: gear.id, aim: null, by: 'pointer' });
  };
  const end = ({ active, delta }: DragEndEvent) => {
    const box = pile.current?.getBoundingClientRect();
    const [x, y] = [grab.current.x + delta.x, grab.current.y + delta.y];
    const over = box && x >= box.left && x <= box.right && y >= box.top && y <= box.bottom;
    const id = String(active.id);
    const { job } = store.getState();
    const stands = [...Object.values(job.placements), ...Object.values(job.shelvings)].some((row) => row.gearId === id);
    if (over && stands) carry.lift(id);
    else carry.putDown();
  };
  return { start, move, end };
}
