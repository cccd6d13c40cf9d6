import { formatSize } from '../../base/units/length';
import type { PatchCord } from '../../job/document/cordKinds';
import type { Job } from '../../job/document/job';
import { indexJob } from '../../job/document/jobIndex';
import { type FitKind, fitFault, placesFor } from '../../job/rack/fit';
import { unitName } from '../../job/rack/units';
import type { Gear } from '../../job/records/gear';
import { portKey } from '../../job/records/portKey';
import { portsOf } from '../../job/records/ports';
import type { Rack } from '../../job/records/rack';
import type { Run } from '../../job/records/run';
import { portFault } from '../../trade/patching/fitness';
import { switchLoads } from '../../trade/patching/switchLoad';
import { portWattsOf } from '../../trade/power/poe';
import type { Mend } from './snag';

/** Move a cord to the first free port that suits its run and whose switch has the watts; none when there is none. */
export function moveCordMend(job: Job, run: Run, cord: PatchCord): Mend[] {
  const index = indexJob(job);
  const loads = switchLoads(job);
  const needW = portWattsOf(run);
  for (const gear of index.gearInOrder) {
    if (gear.kind !== 'switch') continue;
    const others = (loads.get(gear.id)?.usedW ?? 0) - (cord.switchId === gear.id ? needW : 0);
    if (needW > 0 && others + needW > gear.poeBudgetW) continue;
    const port = portsOf(gear).find(
      (one) =>
        !index.cordAtSwitchPort.has(portKey(gear.id, one.number)) &&
        !index.uplinkAtPort.has(portKey(gear.id, one.number)) &&
        portFault(run, one) === null,
    );
    if (!port) continue;
    const { panelId, panelPort } = cord;
    const ends = { panelId, panelPort, switchId: gear.id, switchPort: port.number, fixed: true };
    return [{ label: `Move to ${gear.name} port ${port.number}`, commands: [{ type: 'patchPorts', cords: [ends] }] }];
  }
  return [];
}

export const unplugMend = (run: Run | null, cord: { id: string }): Mend => ({
  label: run ? `Unpatch ${run.label}` : 'Pull the cord out',
  commands: [{ type: 'unplug', cordIds: [cord.id] }],
});

/** The highest place without this fault, or out of the rack; of a rack whose rear rails can be set, that too. */
export function moveGearMends(job: Job, rack: Rack, gear: Gear, kind?: FitKind): Mend[] {
  const face = indexJob(job).placementOfGear.get(gear.id)?.face;
  const well = (bottomU: number) =>
    kind === undefined || fitFault(job, gear, { rack, bottomU, face: face ?? 'front' }, kind) === null;
  const bottomU = placesFor(job, rack, gear, face).filter(well).at(-1);
  const out: Mend = { label: 'Take it out of the rack', commands: [{ type: 'liftGear', gearIds: [gear.id] }] };
  const place = { type: 'placeGear' as const, gearId: gear.id, rackId: rack.id };
  const move: Mend[] =
    bottomU === undefined
      ? []
      : [{ label: `Move to ${unitName(rack, bottomU, gear.heightU)}`, commands: [{ ...place, bottomU }] }];
  return [...(kind === 'rails-reach' ? setRearRails(job, rack, gear) : []), ...move, out];
}

/** Rear rails set to where the rails of a device reach, where the rack allows it. */
function setRearRails(job: Job, rack: Rack, gear: Gear): Mend[] {
  if (rack.posts === 2 || rack.rearRailLeastMm === null || rack.rearRailMostMm === null) return [];
  const least = Math.max(rack.rearRailLeastMm, gear.railLeastMm ?? 0);
  const most = Math.min(rack.rearRailMostMm, gear.railMostMm ?? rack.rearRailMostMm);
  if (least > most) return [];
  const now = rack.rearRailMm ?? rack.depthMm;
  const rearRailMm = Math.min(most, Math.max(least, now));
  const label = `Set the rear rails to ${formatSize(rearRailMm, job.units)}`;
  return [{ label, commands: [{ type: 'editRack', rackId: rack.id, changes: { rearRailMm } }] }];
}
