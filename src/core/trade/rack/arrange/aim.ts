import type { Job } from '../../../job/document/job';
import { isUpright } from '../../../job/gear/body';
import { fitFaults, placeFault } from '../../../job/rack/fit';
import { shelfFault, shelfLayout } from '../../../job/rack/shelf';
import { placedIn } from '../../../job/rack/space';
import { unitName } from '../../../job/rack/units';
import { type Gear, isCarrier } from '../../../job/records/gear';
import type { Face } from '../../../job/records/placement';
import { span } from '../../../job/records/placement';
import type { Rack } from '../../../job/records/rack';

/** Where a device in the hand would go: into units, or on what stands in them. */
export type Aim = {
  rackId: string;
  bottomU: number;
  face: Face;
  /** Shelf, drawer or kit that it would be put on. */
  carrierId: string | null;
  bay: number | null;
  /** Why it cannot be put there, in words. */
  fault: string | null;
  /** What will bite there. */
  warnings: string[];
};

/** The carrier that stands in a unit of one side. */
function carrierAt(job: Job, rack: Rack, unit: number, face: Face): Gear | undefined {
  return placedIn(job, rack.id).find(
    ({ gear, placement }) =>
      isCarrier(gear) &&
      placement.face === face &&
      placement.bottomU <= unit &&
      unit <= span(placement.bottomU, gear.heightU).topU,
  )?.gear;
}

/** The bay for another device: the first one free, or the last. */
function nextBay(job: Job, carrier: Gear, gear: Gear): number | null {
  if (carrier.bays === 0) return null;
  const used = new Set(
    Object.values(job.shelvings).flatMap((row) =>
      row.carrierId === carrier.id && row.gearId !== gear.id ? [row.bay] : [],
    ),
  );
  return Array.from({ length: carrier.bays }, (_, at) => at + 1).find((bay) => !used.has(bay)) ?? carrier.bays;
}

/** What putting a device down at a unit of one side would do, and what is against it. */
export function aimAt(job: Job, rack: Rack, gear: Gear, unit: number, face: Face): Aim {
  const at = { rackId: rack.id, bottomU: unit, face };
  const carrier = gear.frame === 'free' || gear.ears !== 'fixed' ? carrierAt(job, rack, unit, face) : undefined;
  if (carrier && (gear.frame === 'free' || placeFault(job, gear, { rack, bottomU: unit, face }))) {
    const bay = nextBay(job, carrier, gear);
    const fault = shelfFault(job, carrier, gear, bay);
    const row = { id: gear.id, gearId: gear.id, carrierId: carrier.id, bay };
    const others = Object.fromEntries(Object.entries(job.shelvings).filter(([, one]) => one.gearId !== gear.id));
    const left = fault ? [] : shelfLayout({ ...job, shelvings: { ...others, [row.id]: row } }, carrier).left;
    const warnings =
      left.length > 0
        ? [`${carrier.name} has no room for all: ${left.map((one) => one.name).join(', ')} would be left over.`]
        : [];
    return { ...at, carrierId: carrier.id, bay, fault, warnings };
  }
  const faults = fitFaults(job, gear, { rack, bottomU: unit, face });
  return {
    ...at,
    carrierId: null,
    bay: null,
    fault: faults.find((one) => one.hard)?.words ?? null,
    warnings: faults.filter((one) => !one.hard).map((one) => one.words),
  };
}

/** The faces that a device can be carried to, seen from the front or from behind. */
export function faceSeen(gear: Gear, side: 'front' | 'rear', leftHalf: boolean): Face {
  if (!isUpright(gear)) return side;
  // From behind left and right change places.
  if (side === 'front') return leftHalf ? 'left' : 'right';
  return leftHalf ? 'rear-right' : 'rear-left';
}

/** Every face on which a device can hang, in the order in which keys go through them. */
export const facesFor = (gear: Gear): readonly Face[] =>
  isUpright(gear) ? ['rear-left', 'rear-right', 'left', 'right'] : ['front', 'rear'];

/** Units with something to stand on, for what has no ears. */
export function carrierUnits(job: Job, rack: Rack): { unit: number; face: Face }[] {
  return placedIn(job, rack.id).flatMap(({ gear, placement }) =>
    isCarrier(gear) ? [{ unit: placement.bottomU, face: placement.face }] : [],
  );
}

const SIDE_WORDS: Record<Face, string> = {
  front: '',
  rear: ' behind',
  left: ' at the left',
  right: ' at the right',
  'rear-left': ' behind at the left',
  'rear-right': ' behind at the right',
};

/** Where that is, in words. */
export function aimWords(job: Job, gear: Gear, aim: Aim): string {
  const rack = job.racks[aim.rackId];
  if (!rack) return '';
  if (aim.carrierId !== null) return `on ${job.gear[aim.carrierId]?.name}${aim.bay === null ? '' : `, bay ${aim.bay}`}`;
  const several = Object.keys(job.racks).length > 1 ? ` of ${rack.name}` : '';
  return `${unitName(rack, aim.bottomU, gear.heightU)}${SIDE_WORDS[aim.face]}${several}`;
}
