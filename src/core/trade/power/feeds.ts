import { kept } from '../../base/memo/kept';
import { rechargeFactor, rechargeShare } from '../../base/standards/batteries';
import { outletAmps, WALL_PITCH_MM } from '../../base/standards/outlets';
import { ruleSets } from '../../base/standards/ruleSets';
import type { Job } from '../../job/document/job';
import { indexJob } from '../../job/document/jobIndex';
import { feedsOthers } from '../../job/gear/body';
import type { Circuit } from '../../job/records/circuit';
import type { Gear } from '../../job/records/gear';
import { inletCount, type MainsOutlet, outletKindOf, outletsOf } from '../../job/records/mainsSockets';
import { outletKeyOf, type Plug } from '../../job/records/plug';
import { portKey } from '../../job/records/portKey';
import type { WallOutlet } from '../../job/records/wallOutlet';
import { answerOf, figureOf } from '../survey/answers/answers';
import { deviceLoad, type Load, type LoadCase, NO_LOAD, sumLoads, timesLoad } from './deviceLoad';
import { continuousAmps, voltAmperes } from './mainsCurrent';

/** Look-ups over plugs, made once for each version of what they rest on. */
export type Feeds = {
  job: Job;
  /** By `portKey` of device and inlet, and of feed or wall and outlet. */
  plugAtInlet: ReadonlyMap<string, Plug>;
  plugAtOutlet: ReadonlyMap<string, Plug>;
  plugsInto: ReadonlyMap<string, readonly Plug[]>;
  /** Strips and battery units. */
  units: readonly Gear[];
  /** Devices that want a plug, strips and battery units too. */
  consumers: readonly Gear[];
  loadOf: (gear: Gear, at: LoadCase) => Load;
};

export const feedsOf: (job: Job) => Feeds = kept(makeFeeds);

function makeFeeds(job: Job): Feeds {
  const index = indexJob(job);
  const plugAtInlet = new Map<string, Plug>();
  const plugAtOutlet = new Map<string, Plug>();
  const plugsInto = new Map<string, Plug[]>();
  for (const plug of Object.values(job.plugs)) {
    plugAtInlet.set(portKey(plug.gearId, plug.inlet), plug);
    plugAtOutlet.set(outletKeyOf(plug), plug);
    const into = plug.feedId ?? plug.wallId ?? '';
    plugsInto.set(into, [...(plugsInto.get(into) ?? []), plug]);
  }
  const loads = new Map<string, Load>();
  const feeds: Feeds = {
    job,
    plugAtInlet,
    plugAtOutlet,
    plugsInto,
    units: index.gearInOrder.filter(feedsOthers),
    consumers: index.gearInOrder.filter((gear) => inletCount(gear) > 0),
    loadOf: (gear, at) => {
      const key = `${at} ${gear.id}`;
      const there = loads.get(key);
      if (there) return there;
      // A circle of plugs cannot be stored; in a draft it would never end.
      loads.set(key, NO_LOAD);
      const load = feedsOthers(gear) ? unitLoadOf(feeds, gear, at) : deviceLoad(index, gear, at);
      loads.set(key, load);
      return load;
    },
  };
  return feeds;
}

/** What a strip or a battery unit takes: all that is plugged into it, its own draw, and what it loses. */
function unitLoadOf(feeds: Feeds, gear: Gear, at: LoadCase): Load {
  const carried = carriedLoad(feeds, gear, at);
  const own = deviceLoad(indexJob(feeds.job), gear, at);
  const efficiency = gear.kind === 'ups' ? gear.efficiency : null;
  // What it loses on the way is its own draw where no efficiency is known.
  const through = efficiency === null ? sumLoads([carried, own]) : timesLoad(carried, 1 / efficiency);
  return at === 'full' && gear.kind === 'ups' ? sumLoads([through, rechargeLoad(gear)]) : through;
}

/** What a UPS draws beside its load while its battery charges after an outage: for hours, so that it is a load like others. */
export function rechargeLoad({ battery }: Pick<Gear, 'battery'>): Load {
  if (battery === null) return { ...NO_LOAD, unknown: 1 };
  const { chargeA, blockV, blocks, ratedW } = battery;
  const w =
    chargeA !== null && blockV !== null
      ? chargeA * blockV * blocks * rechargeFactor
      : ratedW === null
        ? null
        : ratedW * rechargeShare;
  return w === null ? { ...NO_LOAD, unknown: 1 } : { w, va: voltAmperes(w), unknown: 0 };
}

/** What is plugged into a strip or a battery unit. */
export const carriedLoad = (feeds: Feeds, gear: Pick<Gear, 'id'>, at: LoadCase): Load =>
  sumLoads((feeds.plugsInto.get(gear.id) ?? []).map((plug) => plugLoad(feeds, plug, at)));

/** The same on its battery only. */
export function batteryLoad(feeds: Feeds, gear: Gear, at: LoadCase): Load {
  const backings = new Map(outletsOf(gear).map(({ number, backing }) => [number, backing]));
  return sumLoads(
    (feeds.plugsInto.get(gear.id) ?? []).flatMap((plug) => {
      const backing = backings.get(plug.outlet);
      // What may be on the battery or not is a load of unknown size.
      if (backing === 'unknown') return [{ ...NO_LOAD, unknown: 1 }];
      return backing === 'battery' ? [plugLoad(feeds, plug, at)] : [];
    }),
  );
}

/** What goes through one plug: of several supplies that share each its part, of one that stands by nothing. */
export function plugLoad(feeds: Feeds, plug: Plug, at: LoadCase): Load {
  const gear = feeds.job.gear[plug.gearId];
  if (!gear) return NO_LOAD;
  const load = feeds.loadOf(gear, at);
  const inlets = inletsPlugged(feeds, gear);
  if (inlets.length <= 1) return load;
  if (gear.supplies === 'standby') return plug.inlet === inlets[0] ? load : NO_LOAD;
  return timesLoad(load, 1 / inlets.length);
}

/** What hangs on a feed when every device with a second supply elsewhere has only this one. */
function aloneLoad(feeds: Feeds, sourceId: string, seen: ReadonlySet<string> = new Set()): Load {
  return sumLoads(
    (feeds.plugsInto.get(sourceId) ?? []).flatMap(({ gearId }) => {
      const gear = feeds.job.gear[gearId];
      if (!gear || seen.has(gearId)) return [];
      if (!feedsOthers(gear)) return [feeds.loadOf(gear, 'full')];
      const carried = aloneLoad(feeds, gearId, new Set([...seen, gearId]));
      const own = deviceLoad(indexJob(feeds.job), gear, 'full');
      if (gear.kind !== 'ups') return [own, carried];
      const through = gear.efficiency === null ? sumLoads([own, carried]) : timesLoad(carried, 1 / gear.efficiency);
      return [through, rechargeLoad(gear)];
    }),
  );
}

/** Inlets of a device that have a plug, lowest first. */
export const inletsPlugged = ({ plugAtInlet }: Feeds, gear: Gear): number[] =>
  Array.from({ length: inletCount(gear) }, (_, at) => at + 1).filter((inlet) =>
    plugAtInlet.has(portKey(gear.id, inlet)),
  );

/** Volts of the mains; null: not known. */
export function voltsOf(job: Job, circuit: Pick<Circuit, 'volts'> | null): number | null {
  if (circuit && circuit.volts !== null) return circuit.volts;
  const answer = answerOf(job, 'mains-volts');
  return answer === 'unknown' ? null : Number(answer);
}

export type CircuitLoad = {
  circuit: Circuit;
  volts: number | null;
  /** What a continuous load may take, A; null: the breaker is not known. */
  limitA: number | null;
  idle: Load;
  full: Load;
  /** At full, after the years of growth that the survey asks for. */
  grown: Load;
  /** Current at full and grown, A; null: without volts nobody knows. */
  amps: number | null;
  grownAmps: number | null;
  /** Current at full once what has a second supply elsewhere hangs on this one alone, A. */
  aloneAmps: number | null;
  state: 'enough' | 'nearly full' | 'too little' | 'not judged';
  /** What is not known of it, in words. */
  unknown: string[];
};

/** Load of each circuit against what it may carry for good. */
export function circuitLoads(job: Job): CircuitLoad[] {
  const feeds = feedsOf(job);
  const growth = (1 + figureOf(job, 'growth-percent') / 100) ** figureOf(job, 'growth-years');
  // What has no plug in the plan may hang on any of them.
  const bare = feeds.consumers.filter((gear) => inletsPlugged(feeds, gear).length === 0).length;
  return Object.values(job.circuits).map((circuit) => {
    const walls = Object.values(job.wallOutlets).filter(({ circuitId }) => circuitId === circuit.id);
    const carried = (at: LoadCase) =>
      sumLoads(walls.flatMap(({ id }) => (feeds.plugsInto.get(id) ?? []).map((plug) => plugLoad(feeds, plug, at))));
    const also: Load = {
      w: circuit.alsoW ?? 0,
      // Of what else hangs there only the watts are known.
      va: voltAmperes(circuit.alsoW ?? 0),
      unknown: circuit.alsoW === null ? 1 : 0,
    };
    const [idle, own] = [carried('idle'), carried('full')];
    const full = sumLoads([own, also]);
    const grown = sumLoads([timesLoad(own, growth), also]);
    const volts = voltsOf(job, circuit);
    const share = circuit.fullRated ? 1 : ruleSets[job.rules].continuous.share;
    const limitA = circuit.breakerA === null ? null : continuousAmps(circuit.breakerA, share);
    const amps = volts === null ? null : full.va / volts;
    const unknown = [
      ...(circuit.breakerA === null ? ['the rating of its breaker'] : []),
      ...(volts === null ? ['the voltage of the mains'] : []),
      ...(circuit.alsoW === null ? ['other load on this circuit'] : []),
      ...(bare > 0 ? [`where ${bare} device${bare === 1 ? ' is' : 's are'} plugged in`] : []),
      ...(own.unknown > 0 ? [`the draw of ${own.unknown} device${own.unknown === 1 ? '' : 's'}`] : []),
    ];
    const over = limitA !== null && amps !== null ? amps / limitA : null;
    const state =
      over !== null && over > 1
        ? ('too little' as const)
        : over === null || unknown.length > 0
          ? ('not judged' as const)
          : over > 0.8
            ? ('nearly full' as const)
            : ('enough' as const);
    return {
      circuit,
      volts,
      limitA,
      idle: sumLoads([idle, also]),
      full,
      grown,
      amps,
      grownAmps: volts === null ? null : grown.va / volts,
      aloneAmps: volts === null ? null : (also.va + sumLoads(walls.map(({ id }) => aloneLoad(feeds, id))).va) / volts,
      state,
      unknown,
    };
  });
}

/** Rating of what a strip or battery unit is fed by: its own, else that of its inlet or plug, A; null: not known. */
export function inputAmps(job: Job, gear: Gear): number | null {
  if (gear.inputA !== null) return gear.inputA;
  if (gear.plug !== null)
    return outletAmps(gear.plug === 'c14' ? 'c13' : gear.plug === 'c20' ? 'c19' : gear.plug, job.rules);
  if (gear.inlet === 'c14') return outletAmps('c13', job.rules);
  if (gear.inlet === 'c20') return outletAmps('c19', job.rules);
  return outletAmps(outletKindOf(null, null, job.rules), job.rules);
}

/** What a strip or battery unit may carry for good, A. */
export function unitLimitAmps(job: Job, gear: Gear): number | null {
  const rated = inputAmps(job, gear);
  return rated === null ? null : continuousAmps(rated, ruleSets[job.rules].continuous.share);
}

/** The circuit that a device hangs on, up the plugs from an inlet; null where a plug or the wall's circuit is not known. */
export function circuitAbove(feeds: Feeds, gearId: string, inlet: number): string | null {
  const seen = new Set<string>();
  let plug = feeds.plugAtInlet.get(portKey(gearId, inlet));
  while (plug) {
    if (plug.wallId !== null) return feeds.job.wallOutlets[plug.wallId]?.circuitId ?? null;
    const feedId = plug.feedId ?? '';
    if (seen.has(feedId)) return null;
    seen.add(feedId);
    plug = feeds.plugAtInlet.get(portKey(feedId, 1));
  }
  return null;
}

/** The battery unit, if any, that an inlet hangs behind, on its battery. */
export function batteryAbove(feeds: Feeds, gearId: string, inlet: number): Gear | null {
  const seen = new Set<string>();
  let plug = feeds.plugAtInlet.get(portKey(gearId, inlet));
  while (plug && plug.feedId !== null && !seen.has(plug.feedId)) {
    seen.add(plug.feedId);
    const feed = feeds.job.gear[plug.feedId];
    const outlet = feed && outletsOf(feed)[plug.outlet - 1];
    if (feed?.kind === 'ups' && outlet?.backing === 'battery') return feed;
    plug = feeds.plugAtInlet.get(portKey(plug.feedId, 1));
  }
  return null;
}

/** Outlets of walls, numbered like those of devices. */
export const wallOutletsOf = (wall: WallOutlet): MainsOutlet[] =>
  outletsOf({
    kind: 'other',
    outlets: [
      {
        count: wall.count,
        kind: wall.kind,
        pitchMm: wall.pitchMm ?? WALL_PITCH_MM,
        backing: null,
        switched: false,
        measured: false,
        onAfterS: 0,
        apartS: 0,
      },
    ],
  });
