import { stepLimits } from '../../base/solve/limits';
import { applyCommands } from '../../job/commands/apply';
import type { Command } from '../../job/commands/commands';
import type { Job } from '../../job/document/job';
import { planLanding } from '../panels/planLanding';
import { patchCommands } from '../patching/patchCommands';
import type { PatchWish } from '../patching/patchWish';
import { planPatching } from '../patching/planPatching';
import { planDeviceCords } from '../patching/uplinks/deviceCords';
import { PLUG_STEPS, planPlugs, plugCommands } from '../power/plugPlan';
import { planPlacement } from '../rack/arrange/planPlacement';

export type Plan = { job: Job; commands: Command[]; left: string[]; proven: boolean };

/**
 * Decide all that is not decided yet: place gear, land runs, patch the live ones, cable what stands in the cabinet. What
 * stands is kept.
 */
export function planJob(start: Job, wish: Partial<PatchWish> = {}): Plan {
  const commands: Command[] = [];
  let job = start;
  const take = (more: Command[]) => {
    if (more.length === 0) return;
    job = applyCommands(job, more).job;
    commands.push(...more);
  };
  const places = planPlacement(job);
  take(places.commands);
  const { landings, left: unlanded } = planLanding(job);
  if (landings.length > 0) take([{ type: 'landRuns', landings }]);
  const patching = planPatching(job, wish);
  const { left: unpatched, proven } = patching;
  take(patchCommands(patching));
  const devices = planDeviceCords(job, (gear) => `cord-${gear.id}`);
  if (devices.cords.length > 0)
    take([
      { type: 'keepRows', rows: devices.cords.map(({ uplink }) => ({ table: 'cords' as const, record: uplink })) },
    ]);
  const plugs = planPlugs(job, stepLimits(PLUG_STEPS));
  take(plugCommands(plugs));
  return {
    job,
    commands,
    left: [
      ...(patching.short === null ? [] : [patching.short]),
      ...[...places.left, ...unlanded, ...unpatched, ...devices.left].map(({ why }) => why),
      ...plugs.left.map(({ gear, inlet, why }) => `${gear.name}, inlet ${inlet}: ${why}`),
    ],
    proven: proven && plugs.proven,
  };
}
