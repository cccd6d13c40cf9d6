import type { Job } from '../job/job';
import type { Gear } from '../job/records/gear';
import type { Placement } from '../job/records/placement';
import type { Rack } from '../job/records/rack';
import { formatSize, type Units } from '../units/length';
import { span, unitName } from './units';

/** Why a place will not do. */
export type PlaceFault = { kind: 'outside' | 'taken' | 'too-deep'; words: string };

export function outsideFault(rack: Rack, gear: Gear, bottomU: number): PlaceFault | null {
  const { topU } = span(bottomU, gear.heightU);
  if (bottomU >= 1 && topU <= rack.units) return null;
  const needs = gear.heightU === 1 ? '1 unit' : `${gear.heightU} units`;
  return {
    kind: 'outside',
    words: `${gear.name} needs ${needs} and would stand outside ${rack.name}, which has ${rack.units}.`,
  };
}

export function depthFault(rack: Rack, gear: Gear, units: Units): PlaceFault | null {
  if (gear.depthMm <= rack.depthMm) return null;
  const over = formatSize(gear.depthMm - rack.depthMm, units);
  return {
    kind: 'too-deep',
    words: `${gear.name} is ${formatSize(gear.depthMm, units)} deep: ${over} more than ${rack.name} has.`,
  };
}

/** The placement whose units these would share, if any. */
function takenBy(job: Job, rack: Rack, gear: Gear, bottomU: number): Placement | undefined {
  const wanted = span(bottomU, gear.heightU);
  return Object.values(job.placements).find((other) => {
    const height = job.gear[other.gearId]?.heightU ?? 0;
    const there = span(other.bottomU, height);
    return (
      other.rackId === rack.id &&
      other.gearId !== gear.id &&
      wanted.bottomU <= there.topU &&
      there.bottomU <= wanted.topU
    );
  });
}

/**
 * The first reason why a device cannot stand with its lowest unit at `bottomU`, or null when it can.
 * The same answer serves the preview while dragging, the command, and the planner.
 */
export function placeFault(job: Job, rack: Rack, gear: Gear, bottomU: number): PlaceFault | null {
  const outside = outsideFault(rack, gear, bottomU);
  if (outside) return outside;
  const other = takenBy(job, rack, gear, bottomU);
  if (other) {
    const there = job.gear[other.gearId];
    return {
      kind: 'taken',
      words: `${unitName(rack, bottomU, gear.heightU)} is taken by ${there?.name ?? 'another device'}.`,
    };
  }
  return depthFault(rack, gear, job.units);
}

/** Places where a device fits, from the bottom up. */
export function placesFor(job: Job, rack: Rack, gear: Gear): number[] {
  return Array.from({ length: rack.units }, (_, at) => at + 1).filter(
    (bottomU) => placeFault(job, rack, gear, bottomU) === null,
  );
}
