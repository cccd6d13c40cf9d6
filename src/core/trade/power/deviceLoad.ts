import type { JobIndex } from '../../job/document/jobIndex';
import { ownW } from '../../job/gear/body';
import type { Gear } from '../../job/records/gear';
import { portKey } from '../../job/records/portKey';
import { portsOf } from '../../job/records/ports';
import type { Run } from '../../job/records/run';
import { linkFedW } from './linkFed';
import { mainsForPoeW, powerFactorFor } from './mainsCurrent';
import { deviceWattsOf, drawnWattsOf, poeUnknown, takesPower } from './poe';

/** Whether devices idle or run at full; PoE is what the devices on it draw either way. */
export type LoadCase = 'idle' | 'full';

/** A load: watts and volt-amperes that are known, and how many of its parts are not. */
export type Load = { w: number; va: number; unknown: number };
export const NO_LOAD: Load = { w: 0, va: 0, unknown: 0 };

export function sumLoads(loads: Iterable<Load>): Load {
  const sum = { ...NO_LOAD };
  for (const { w, va, unknown } of loads) {
    sum.w += w;
    sum.va += va;
    sum.unknown += unknown;
  }
  return sum;
}
export const timesLoad = ({ w, va, unknown }: Load, share: number): Load => ({ w: w * share, va: va * share, unknown });

/** Runs that are patched to a device. */
export function runsOn({ job, cordAtSwitchPort, landingAtPort }: JobIndex, gear: Gear): Run[] {
  return portsOf(gear).flatMap(({ number }) => {
    const cord = cordAtSwitchPort.get(portKey(gear.id, number));
    const landing = cord && landingAtPort.get(portKey(cord.panelId, cord.panelPort));
    return (landing && job.runs[landing.runId]) ?? [];
  });
}

/** Watts that leave a device's ports for what hangs on its runs and links, loss in the cables counted. */
export function poeLeaving(index: JobIndex, gear: Gear): number {
  if (gear.poeBudgetW === 0) return 0;
  let watts = linkFedW(index, gear);
  for (const run of runsOn(index, gear)) {
    if (!takesPower(run)) continue;
    const drawn = drawnWattsOf(run);
    watts += Number.isFinite(drawn) ? drawn : deviceWattsOf(run);
  }
  // What is over the budget is switched off.
  return Math.min(watts, gear.poeBudgetW);
}

/** Whether it powers a device over its ports whose watts nobody entered. */
const feedsUnknown = (index: JobIndex, gear: Gear): boolean =>
  gear.poeBudgetW > 0 && runsOn(index, gear).some(poeUnknown);

/** What a device itself draws, W; null: not known. Idle where that was entered, else as at full. */
export const ownDraw = (gear: Gear, at: LoadCase): number | null =>
  at === 'idle' && gear.idleW !== null ? gear.idleW : ownW(gear);

/** What a device takes at the mains, the power it hands on over its ports counted. Not of strips and battery units. */
export function deviceLoad(index: JobIndex, gear: Gear, at: LoadCase): Load {
  const own = ownDraw(gear, at);
  const poe = poeLeaving(index, gear);
  const w = (own ?? 0) + (poe > 0 ? mainsForPoeW(poe, gear.efficiency ?? undefined) : 0);
  const factor = gear.powerFactor ?? powerFactorFor(w);
  return { w, va: w > 0 ? w / factor : 0, unknown: own === null || feedsUnknown(index, gear) ? 1 : 0 };
}
