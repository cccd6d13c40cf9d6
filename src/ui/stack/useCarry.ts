import type { KeyboardEvent } from 'react';
import { useMemo } from 'react';
import { naturalOrder } from '@/core/base/text/naturalOrder';
import { indexJob } from '@/core/job/document/jobIndex';
import { placesFor, usualFace } from '@/core/job/rack/fit';
import { standOf } from '@/core/job/rack/stand';
import type { Gear } from '@/core/job/records/gear';
import type { Face } from '@/core/job/records/placement';
import type { Rack } from '@/core/job/records/rack';
import { type Aim, aimAt, aimWords, carrierUnits, facesFor } from '@/core/trade/rack/arrange/aim';
import { useAnnounce } from '../kit/useAnnounce';
import { useSessionStore } from '../session/session';
import { toast } from '../session/toast';
import { useCarrying } from './carrying';

export type Carry = ReturnType<typeof useCarry>;

/** Pick up, move, put down and take out: the same for the pointer and for keys. Never changes, so nothing is redrawn for it. */
export function useCarry(onEdit: (gearId: string) => void) {
  const store = useSessionStore();
  const announce = useAnnounce();
  return useMemo(() => {
    const job = () => store.getState().job;
    const racks = (): Rack[] => Object.values(job().racks).sort((a, b) => naturalOrder(a.name, b.name));

    const where = (gear: Gear, aim: Aim) => `${aim.carrierId === null ? 'at ' : ''}${aimWords(job(), gear, aim)}`;

    const putDown = (): void => {
      const { carried, set } = useCarrying.getState();
      set(null);
      const gear = carried && job().gear[carried.gearId];
      if (!gear || !carried.aim) return;
      const { aim } = carried;
      if (aim.fault) {
        toast.error(aim.fault);
        announce(`Not placed. ${aim.fault}`);
        return;
      }
      const words = where(gear, aim);
      const { rackId, bottomU, face, carrierId, bay } = aim;
      const command =
        carrierId === null
          ? { type: 'placeGear' as const, gearId: gear.id, rackId, bottomU, face }
          : { type: 'shelveGear' as const, gearId: gear.id, carrierId, bay };
      if (store.getState().dispatch([command])) announce(`${gear.name} placed ${words}`);
    };
    const lift = (gearId: string): void => {
      useCarrying.getState().set(null);
      const name = job().gear[gearId]?.name;
      if (store.getState().dispatch([{ type: 'liftGear', gearIds: [gearId] }]))
        announce(`${name} taken out of the rack`);
    };
    const say = (gear: Gear, aim: Aim) => {
      const [warning] = aim.warnings;
      announce(aim.fault ?? `${gear.name} ${where(gear, aim)}: ${warning ?? 'free'}`);
    };
    const hold = (gear: Gear, aim: Aim): void => {
      useCarrying.getState().set({ gearId: gear.id, aim, by: 'keys' });
      say(gear, aim);
    };
    /** Where keys begin: where it stands, or the highest place that takes it. */
    const firstAim = (gear: Gear): Aim | null => {
      const stands = standOf(job(), gear.id);
      const rack = job().racks[stands?.rackId ?? ''] ?? racks()[0];
      if (!rack) return null;
      if (stands) return aimAt(job(), rack, gear, stands.bottomU, stands.face);
      if (gear.frame === 'free') {
        for (const one of racks()) {
          const [shelf] = carrierUnits(job(), one);
          if (shelf) return aimAt(job(), one, gear, shelf.unit, shelf.face);
        }
      }
      const face = usualFace(gear);
      const good = racks()
        .flatMap((one) => placesFor(job(), one, gear, face).map((unit) => ({ one, unit })))
        .at(-1);
      return aimAt(job(), good?.one ?? rack, gear, good?.unit ?? Math.max(1, rack.units - gear.heightU + 1), face);
    };
    const moved = (gear: Gear, aim: Aim, key: string): Aim | null => {
      const rack = job().racks[aim.rackId];
      if (!rack) return null;
      const up = key === 'ArrowUp';
      if (up || key === 'ArrowDown') {
        if (gear.frame === 'free') {
          const shelves = racks().flatMap((one) => carrierUnits(job(), one).map((shelf) => ({ one, ...shelf })));
          const at = shelves.findIndex((shelf) => shelf.one.id === aim.rackId && shelf.unit === aim.bottomU);
          const next = shelves[at + (up ? 1 : -1)];
          return next ? aimAt(job(), next.one, gear, next.unit, next.face) : null;
        }
        return aimAt(job(), rack, gear, Math.min(rack.units, Math.max(1, aim.bottomU + (up ? 1 : -1))), aim.face);
      }
      if (key !== 'ArrowLeft' && key !== 'ArrowRight') return null;
      // Through the faces of each rack in turn.
      const spots = racks().flatMap((one) => facesFor(gear).map((face): { one: Rack; face: Face } => ({ one, face })));
      const at = spots.findIndex((spot) => spot.one.id === aim.rackId && spot.face === aim.face);
      const next = spots[(at + (key === 'ArrowRight' ? 1 : spots.length - 1)) % spots.length];
      return next ? aimAt(job(), next.one, gear, Math.min(next.one.units, aim.bottomU), next.face) : null;
    };
    const press = (event: KeyboardEvent, gearId: string): void => {
      const gear = job().gear[gearId];
      if (!gear || event.ctrlKey || event.metaKey || event.altKey) return;
      const { carried, set } = useCarrying.getState();
      const held = carried?.gearId === gearId && carried.by === 'keys' ? carried : null;
      const act = (work: () => void) => {
        event.preventDefault();
        work();
      };
      if (event.key === 'Enter' || event.key === ' ') {
        act(() => {
          if (held) putDown();
          else {
            const aim = firstAim(gear);
            if (aim) hold(gear, aim);
          }
        });
      } else if (held?.aim && event.key.startsWith('Arrow')) {
        act(() => {
          const aim = held.aim && moved(gear, held.aim, event.key);
          if (aim) hold(gear, aim);
        });
      } else if (held && event.key === 'Escape') act(() => set(null));
      else if (event.key === 'Delete' || event.key === 'Backspace') {
        if (standOf(job(), gearId)) act(() => lift(gearId));
      } else if (event.key.toLowerCase() === 'p') act(() => pin(gearId));
      else if (event.key.toLowerCase() === 'e') act(() => onEdit(gearId));
    };
    const pin = (gearId: string): void => {
      const place = indexJob(job()).placementOfGear.get(gearId);
      if (!place) return;
      const pinned = !place.pinned;
      if (store.getState().dispatch([{ type: 'pinGear', gearIds: [gearId], pinned }]))
        announce(`${job().gear[gearId]?.name} ${pinned ? 'pinned' : 'let go'}`);
    };
    const blur = (gearId: string): void => {
      const { carried, set } = useCarrying.getState();
      if (carried?.gearId !== gearId || carried.by !== 'keys') return;
      set(null);
    };
    return { putDown, lift, press, blur };
  }, [store, announce, onEdit]);
}
