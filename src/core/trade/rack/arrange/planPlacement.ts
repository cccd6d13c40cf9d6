import { naturalOrder } from '../../../base/text/naturalOrder';
import { applyCommands } from '../../../job/commands/apply';
import type { Command } from '../../../job/commands/commands';
import type { Job } from '../../../job/document/job';
import { indexJob } from '../../../job/document/jobIndex';
import { placeFault, placesFor, usualFace } from '../../../job/rack/fit';
import { shelfFault, shelfLayout } from '../../../job/rack/shelf';
import { standOf } from '../../../job/rack/stand';
import { type Gear, type GearKind, isCarrier } from '../../../job/records/gear';
import { portsOf } from '../../../job/records/ports';
import type { Rack } from '../../../job/records/rack';

export type PlacementPlan = {
  commands: Extract<Command, { type: 'placeGear' | 'shelveGear' }>[];
  left: { gearId: string; why: string }[];
};

const HEAVY_KG = 10;
/** Common practice: cables come in at the top, panels beside their switches, the rest beneath, heavy things lowest. */
const FROM_TOP: readonly GearKind[] = [
  'brush',
  'panel',
  'switch',
  'router',
  'manager',
  'recorder',
  'other',
  'computer',
  'storage',
  'server',
  'drawer',
  'kit',
  'cassette',
  'fan',
  'shelf',
];

/** Panels and switches by turns, so that short cords reach. */
function interleave(panels: Gear[], switches: Gear[]): Gear[] {
  const rows = Math.max(panels.length, switches.length);
  return Array.from({ length: rows }, (_, at) => [panels[at], switches[at]])
    .flat()
    .filter((gear) => gear !== undefined);
}

function orderFromTop(gear: Gear[]): Gear[] {
  const of = (kind: GearKind) => gear.filter((one) => one.kind === kind).sort((a, b) => naturalOrder(a.name, b.name));
  const rest = FROM_TOP.filter((kind) => kind !== 'brush' && kind !== 'panel' && kind !== 'switch');
  // The switches that take most cords stand beside the panels.
  const copper = (one: Gear) => portsOf(one).filter((port) => port.connector === 'rj45').length;
  const switches = of('switch').sort((a, b) => copper(b) - copper(a));
  return [...of('brush'), ...interleave(of('panel'), switches), ...rest.flatMap(of)];
}

/**
 * Places for all gear that has none yet; what stands keeps its place. First fit by the order of common practice,
 * not an optimum. Blanks are left for last and only fill what a person puts them in: they are never placed here.
 */
export function planPlacement(job: Job): PlacementPlan {
  const index = indexJob(job);
  const waiting = index.gearInOrder.filter((gear) => !standOf(index.job, gear.id) && gear.kind !== 'blank');
  const low = waiting
    .filter((gear) => gear.frame !== 'free')
    .filter((gear) => (gear.massKg ?? 0) >= HEAVY_KG || gear.kind === 'ups' || gear.kind === 'distribution')
    .sort((a, b) => (b.massKg ?? 0) - (a.massKg ?? 0) || naturalOrder(a.name, b.name));
  const high = orderFromTop(waiting.filter((gear) => !low.includes(gear) && gear.frame !== 'free'));
  const racks = Object.values(job.racks).sort((a, b) => naturalOrder(a.name, b.name));

  let planned = job;
  const plan: PlacementPlan = { commands: [], left: [] };
  const put = (gear: Gear, choose: (places: number[]) => number | undefined) => {
    for (const rack of racks) {
      const bottomU = choose(placesFor(planned, rack, gear));
      if (bottomU === undefined) continue;
      const command = { type: 'placeGear' as const, gearId: gear.id, rackId: rack.id, bottomU };
      planned = applyCommands(planned, [command]).job;
      plan.commands.push(command);
      return;
    }
    plan.left.push({ gearId: gear.id, why: whyNowhere(planned, racks, gear) });
  };
  const free = waiting.filter((gear) => gear.frame === 'free');
  for (const gear of low) put(gear, (places) => places[0]);
  for (const gear of high) put(gear, (places) => places.at(-1));
  for (const gear of free) {
    const command = shelveSomewhere(planned, gear);
    if (command) {
      planned = applyCommands(planned, [command]).job;
      plan.commands.push(command);
    } else
      plan.left.push({ gearId: gear.id, why: `${gear.name} has no ears, and no shelf in the rack has room for it.` });
  }
  return plan;
}

/** The first shelf, drawer or bay in a rack that takes a device beside what stands on it. */
function shelveSomewhere(job: Job, gear: Gear): Extract<Command, { type: 'shelveGear' }> | null {
  const index = indexJob(job);
  for (const carrier of index.gearInOrder) {
    if (!isCarrier(carrier) || !index.placementOfGear.has(carrier.id)) continue;
    const bays = carrier.bays > 0 ? Array.from({ length: carrier.bays }, (_, at) => at + 1) : [null];
    for (const bay of bays) {
      if (shelfFault(job, carrier, gear, bay) !== null) continue;
      const command = { type: 'shelveGear' as const, gearId: gear.id, carrierId: carrier.id, bay };
      const after = applyCommands(job, [command]).job;
      if (shelfLayout(after, carrier).left.length === 0) return command;
    }
  }
  return null;
}

function whyNowhere(job: Job, racks: Rack[], gear: Gear): string {
  const bare = { ...job, placements: {} };
  const deep = racks.map((rack) => placeFault(bare, gear, { rack, bottomU: 1, face: usualFace(gear) })).find(Boolean);
  return deep?.words ?? `${gear.name} finds no ${gear.heightU} free units side by side.`;
}
