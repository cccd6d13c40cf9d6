import { outlets, type PlugKind, plugsFor, usualPlugMm, usualSupplyMm } from '../../base/standards/outlets';
import type { Job } from '../../job/document/job';
import type { Gear } from '../../job/records/gear';
import { type MainsOutlet, outletKindOf } from '../../job/records/mainsSockets';

export type PlugFit =
  | { fits: 'yes'; plug: PlugKind }
  | { fits: 'no'; words: string }
  | { fits: 'unknown'; words: string };

/** Whether a device can be plugged into an outlet, with which plug; what is not known is not held against it. */
export function plugFit(job: Job, gear: Gear, feed: Gear | null, outlet: Pick<MainsOutlet, 'kind'>): PlugFit {
  const kind = outletKindOf(outlet.kind, feed, job.rules);
  const plugs = plugsFor(gear.inlet, gear.plug, job.rules);
  if (kind === null)
    return { fits: 'unknown', words: `the kind of outlet of ${feed?.name ?? 'the wall'} is not known` };
  if (plugs === null) return { fits: 'unknown', words: `the plug of ${gear.name} is not known` };
  const plug = plugs.find((one) => outlets[kind].takes.includes(one));
  return plug ? { fits: 'yes', plug } : { fits: 'no', words: `${gear.name} has no plug for ${outlets[kind].name}` };
}

/** How wide what is in the outlet is, along the outlets, mm. */
export function plugWidthMm(job: Job, gear: Gear, plug: PlugKind | null): number {
  if (gear.plugWidthMm !== null) return gear.plugWidthMm;
  if (gear.inlet === 'barrel') return usualSupplyMm;
  const own = plug ?? gear.plug ?? plugsFor(gear.inlet, null, job.rules)?.[0] ?? null;
  return own === null ? usualPlugMm['cee-7'] : usualPlugMm[own];
}
