import { portsOf } from '../gear/ports';
import { type JobIndex, portKey } from '../job/jobIndex';
import type { Cord } from '../job/records/cord';
import type { Gear } from '../job/records/gear';
import type { Rack } from '../job/records/rack';
import type { Run } from '../job/records/run';
import { portFault } from '../patching/fitness';
import { switchLoads } from '../patching/switchLoad';
import { portWattsFor } from '../power/poe';
import { placesFor } from '../rack/placeFault';
import { unitName } from '../rack/units';
import type { Mend } from './snag';

/** Move a cord to the first free port that suits its run and whose switch has the watts; none when there is none. */
export function moveCordMend(index: JobIndex, run: Run, cord: Cord): Mend[] {
  const loads = switchLoads(index);
  const needW = portWattsFor(run.poeW);
  for (const gear of index.gearInOrder) {
    if (gear.kind !== 'switch') continue;
    const others = (loads.get(gear.id)?.usedW ?? 0) - (cord.switchId === gear.id ? needW : 0);
    if (needW > 0 && others + needW > gear.poeBudgetW) continue;
    const port = portsOf(gear).find(
      (one) => !index.cordAtSwitchPort.has(portKey(gear.id, one.number)) && portFault(run, one) === null,
    );
    if (!port) continue;
    const { panelId, panelPort } = cord;
    const ends = { panelId, panelPort, switchId: gear.id, switchPort: port.number, fixed: true };
    return [{ label: `Move to ${gear.name} port ${port.number}`, commands: [{ type: 'patchPorts', cords: [ends] }] }];
  }
  return [];
}

export const unplugMend = (run: Run | null, cord: Cord): Mend => ({
  label: run ? `Unpatch ${run.label}` : 'Pull the cord out',
  commands: [{ type: 'unplug', cordIds: [cord.id] }],
});

/** Move a device to the highest place that will do, or out of the rack. */
export function moveGearMends(index: JobIndex, rack: Rack, gear: Gear): Mend[] {
  const bottomU = placesFor(index.job, rack, gear).at(-1);
  const out: Mend = { label: 'Take it out of the rack', commands: [{ type: 'liftGear', gearIds: [gear.id] }] };
  if (bottomU === undefined) return [out];
  const label = `Move to ${unitName(rack, bottomU, gear.heightU)}`;
  return [{ label, commands: [{ type: 'placeGear', gearId: gear.id, rackId: rack.id, bottomU }] }, out];
}
