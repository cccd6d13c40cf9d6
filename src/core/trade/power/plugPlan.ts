import type { SearchLimits } from '../../base/solve/limits';
import { pack } from '../../base/solve/packing/pack';
import type { PackingProblem } from '../../base/solve/packing/problem';
import { OUTLET_KINDS, type OutletKind, outlets, plugsFor } from '../../base/standards/outlets';
import type { Command } from '../../job/commands/commands';
import type { Job } from '../../job/document/job';
import { feedsOthers } from '../../job/gear/body';
import type { Gear } from '../../job/records/gear';
import { inletCount, outletKindOf } from '../../job/records/mainsSockets';
import { type Plug, plugId } from '../../job/records/plug';
import { portKey } from '../../job/records/portKey';
import type { WallOutlet } from '../../job/records/wallOutlet';
import { figureOf } from '../survey/answers/answers';
import { loadFor } from './batteries';
import { batteryLoad, carriedLoad, circuitLoads, type Feeds, feedsOf, unitLimitAmps, voltsOf } from './feeds';
import { mainsWayMm, stockCordMm } from './mainsCords';
import { outletLimitA } from './outletLoads';
import { plugFit, plugWidthMm } from './plugFit';
import { feedKey, isFree, type Place, placesOf } from './plugPlaces';
import { surveyedWalls, wallOutletCount } from './surveyedWalls';

/** Prices of the choice, in points: a centimetre of cord is one. Common practice, no source. */
const PRICES = {
  leftOut: 1_000_000,
  leftOutFor: { stays: 300_000, 'may-go': 100_000, 'goes-first': 0 },
  /** What must stay on is not behind a battery. */
  offBattery: 20_000,
  /** The way to the internet is not behind a battery that has room for it, though nobody said that it must stay on. */
  networkOffBattery: 2000,
  /** Battery minutes go to what may go dark. */
  onBattery: { 'may-go': 300, 'goes-first': 3000 },
  /** Two supplies of a device on one feed. */
  oneFeed: 15_000,
  /** A gateway or modem hangs now and then: from afar it is switched off and on again. */
  notSwitched: 200,
  /** Whether the plug fits is not known. */
  unknownFit: 500,
} as const;
const HANGS: readonly Gear['kind'][] = ['router', 'modem'];
/** What the rest of the network hangs on. */
const NETWORK: readonly Gear['kind'][] = ['router', 'modem', 'switch', 'injector'];

export type PlugChoice = { plug: Plug; gear: Gear; feedName: string; cordMm: number; why: string[] };
export type PlugPlan = {
  plugs: PlugChoice[];
  left: { gear: Gear; inlet: number; why: string }[];
  /** The fewest outlets that are missing, by kind. */
  missing: { kind: OutletKind | null; count: number }[];
  /** Wall outlets that the survey counted and the plan uses: records to be made with it. */
  walls: WallOutlet[];
  /** Nobody said how many outlets the wall has: what is missing may be there already. */
  wallsUnknown: boolean;
  proven: boolean;
  points: number;
  bound: number;
};

/** Looks at the clock that the choice of plugs takes at most where there is none. */
export const PLUG_STEPS = 4000;

/** The commands that put a plan's plugs in. */
export const plugCommands = ({ plugs, walls }: Pick<PlugPlan, 'plugs' | 'walls'>): Command[] =>
  plugs.length === 0
    ? []
    : [
        {
          type: 'keepRows',
          rows: [
            ...walls.map((record) => ({ table: 'wallOutlets' as const, record })),
            ...plugs.map(({ plug }) => ({ table: 'plugs' as const, record: plug })),
          ],
        },
      ];

const way = (job: Job, gear: Gear, { feed, wallId, outlet }: Place): number | null =>
  mainsWayMm(
    job,
    gear,
    feed ? { gear: feed, outlet: outlet.number } : { reachMm: job.wallOutlets[wallId ?? '']?.reachMm ?? null },
  );

/** Where battery units and strips go, one after the other by rule: units into walls, strips into walls, else behind a battery. */
function feedUnits(job: Job): Plug[] {
  const made: Plug[] = [];
  let now = job;
  const units = feedsOf(job).units.filter((gear) => inletCount(gear) > 0);
  const order = [...units.filter(({ kind }) => kind === 'ups'), ...units.filter(({ kind }) => kind !== 'ups')];
  for (const gear of order) {
    const feeds = feedsOf(now);
    if (feeds.plugAtInlet.has(portKey(gear.id, 1))) continue;
    const used = new Map<string, number>();
    for (const plug of Object.values(now.plugs)) {
      const circuit = plug.wallId === null ? undefined : now.wallOutlets[plug.wallId]?.circuitId;
      if (circuit) used.set(circuit, (used.get(circuit) ?? 0) + 1);
    }
    // Strip into strip and battery unit into battery unit are not done.
    const open = placesOf(feeds).filter(
      (one) =>
        isFree(feeds, one) &&
        !one.units.includes(gear.id) &&
        (one.feed === null || (gear.kind === 'distribution' && one.feed.kind === 'ups' && one.battery)) &&
        plugFit(now, gear, one.feed, one.outlet).fits !== 'no',
    );
    const dear = (one: Place) =>
      (one.feed === null ? 0 : 1000) + 100 * (used.get(one.circuitId ?? '') ?? 0) + (way(now, gear, one) ?? 0) / 1000;
    const [best] = open.sort((a, b) => dear(a) - dear(b));
    if (!best) continue;
    const plug = plugAt(gear, 1, best);
    made.push(plug);
    now = { ...now, plugs: { ...now.plugs, [plug.id]: plug } };
  }
  return made;
}

const plugAt = (gear: Gear, inlet: number, { feed, wallId, outlet }: Place): Plug => ({
  id: plugId(gear.id, inlet),
  gearId: gear.id,
  inlet,
  feedId: feed?.id ?? null,
  wallId,
  outlet: outlet.number,
  fixed: false,
  lengthMm: null,
  side: null,
});

type Item = { gear: Gear; inlet: number; load: { w: number; va: number }; drawKnown: boolean };

/** The choice in numbers: open inlets, free outlets, what each costs, what must not be overloaded. */
export function plugProblem(job: Job): { problem: PackingProblem; items: Item[]; places: Place[]; first: Plug[] } {
  const first = feedUnits(job);
  const fed = { ...job, plugs: { ...job.plugs, ...Object.fromEntries(first.map((plug) => [plug.id, plug])) } };
  const feeds = feedsOf(fed);
  const items = feeds.consumers
    .filter((gear) => !feedsOthers(gear))
    .flatMap((gear): Item[] => {
      const load = feeds.loadOf(gear, 'full');
      return Array.from({ length: inletCount(gear) }, (_, at) => at + 1)
        .filter((inlet) => !feeds.plugAtInlet.has(portKey(gear.id, inlet)))
        .map((inlet) => ({ gear, inlet, load: share(gear, inlet, load), drawKnown: load.unknown === 0 }));
    });
  const all = placesOf(feeds);
  const places = all.filter((one) => isFree(feeds, one));
  const rows = [...new Set(places.map(({ row }) => row))];
  const cost = new Float64Array(items.length * places.length).fill(Number.POSITIVE_INFINITY);
  items.forEach(({ gear, load }, item) => {
    places.forEach((one, at) => {
      const fit = plugFit(fed, gear, one.feed, one.outlet);
      const rated = outletLimitA(job, one.kind);
      const volts = voltsOf(job, null);
      if (fit.fits === 'no' || (rated !== null && volts !== null && load.va / volts > rated)) return;
      let price = Math.round(stockCordMm(way(fed, gear, one) ?? 1500) / 10);
      if (fit.fits === 'unknown') price += PRICES.unknownFit;
      if (gear.inOutage === 'stays') price += one.battery ? 0 : PRICES.offBattery;
      else if (gear.inOutage === 'may-go' && NETWORK.includes(gear.kind))
        price += one.battery ? 0 : PRICES.networkOffBattery;
      else if (one.battery) price += PRICES.onBattery[gear.inOutage];
      if (HANGS.includes(gear.kind) && !one.outlet.switched) price += PRICES.notSwitched;
      cost[item * places.length + at] = price;
    });
  });
  const widthOf = (gear: Gear, one: Place) => {
    const fit = plugFit(fed, gear, one.feed, one.outlet);
    return plugWidthMm(fed, gear, fit.fits === 'yes' ? fit.plug : null);
  };
  const apart = feeds.consumers.flatMap((gear) => {
    const own = items.flatMap((item, at) => (item.gear.id === gear.id ? at : []));
    const groups = [...new Set(places.map(feedKey))];
    const groupOf = Int32Array.from(places, (one) => groups.indexOf(feedKey(one)));
    return own.flatMap((a, at) => own.slice(at + 1).map((b) => ({ a, b, groupOf, price: PRICES.oneFeed })));
  });
  const problem: PackingProblem = {
    things: items.length,
    places: places.length,
    cost,
    leftOut: Float64Array.from(items, ({ gear }) => PRICES.leftOut + PRICES.leftOutFor[gear.inOutage]),
    width: Float64Array.from({ length: items.length * places.length }, (_, pair) => {
      const [item, one] = [items[Math.floor(pair / places.length)], places[pair % places.length]];
      return item && one ? widthOf(item.gear, one) : 0;
    }),
    rowOf: Int32Array.from(places, ({ row }) => rows.indexOf(row)),
    middle: Float64Array.from(places, ({ outlet }) => outlet.xMm),
    taken: all.flatMap((one) => {
      const plug = feeds.plugAtOutlet.get(portKey(one.feed?.id ?? one.wallId ?? '', one.outlet.number));
      const gear = plug && fed.gear[plug.gearId];
      if (!gear || !rows.includes(one.row)) return [];
      const half = widthOf(gear, one) / 2;
      return [{ row: rows.indexOf(one.row), from: one.outlet.xMm - half, to: one.outlet.xMm + half }];
    }),
    limits: limitsOf(fed, feeds, items, places),
    apart,
  };
  return { problem, items, places, first };
}

/** Of several supplies that share each carries its part; of one that stands by the first carries all. */
function share(gear: Gear, inlet: number, load: { w: number; va: number }) {
  const count = inletCount(gear);
  const part = gear.supplies === 'share' ? 1 / count : inlet === 1 ? 1 : 0;
  return { w: load.w * part, va: load.va * part };
}

function limitsOf(job: Job, feeds: Feeds, items: readonly Item[], places: readonly Place[]): PackingProblem['limits'] {
  const weightVa = Float64Array.from(items, ({ load }) => load.va);
  const weightW = Float64Array.from(items, ({ load }) => load.w);
  const inside = (test: (one: Place) => boolean) => Uint8Array.from(places, (one) => (test(one) ? 1 : 0));
  const volts = voltsOf(job, null);
  const limits = feeds.units.flatMap((unit): PackingProblem['limits'] => {
    const here = inside(({ units }) => units.includes(unit.id));
    if (!here.includes(1)) return [];
    const now = carriedLoad(feeds, unit, 'full');
    const amps = unitLimitAmps(job, unit);
    const { ratedW = null, ratedVa = null } = unit.battery ?? {};
    const lasts = unit.battery ? loadFor(unit.battery, unit.efficiency, figureOf(job, 'minutes-wanted')) : null;
    const backed = inside((one) => one.units.includes(unit.id) && one.battery);
    return [
      ...(lasts === null || !backed.includes(1)
        ? []
        : [{ inside: backed, weight: weightW, most: lasts - batteryLoad(feeds, unit, 'full').w }]),
      ...(amps === null || volts === null ? [] : [{ inside: here, weight: weightVa, most: amps * volts - now.va }]),
      ...(ratedW === null ? [] : [{ inside: here, weight: weightW, most: ratedW - now.w }]),
      ...(ratedVa === null ? [] : [{ inside: here, weight: weightVa, most: ratedVa - now.va }]),
    ];
  });
  const circuits = circuitLoads(job).flatMap(({ circuit, limitA, volts: own, full }): PackingProblem['limits'] => {
    const here = inside(({ circuitId }) => circuitId === circuit.id);
    if (limitA === null || own === null || !here.includes(1)) return [];
    return [{ inside: here, weight: weightVa, most: limitA * own - full.va }];
  });
  return [...limits, ...circuits].map((limit) => ({ ...limit, most: Math.max(0, limit.most) }));
}

/**
 * A place for every inlet that has none: battery for what must stay on, two supplies on two feeds, wide plugs where they cover
 * nothing that is wanted, no unit or circuit overloaded, short cords. What has a plug keeps it. Strips and battery units are
 * fed first, by rule; the rest is the cheapest choice there is.
 */
export function planPlugs(given: Job, limits: SearchLimits): PlugPlan {
  const walls = surveyedWalls(given);
  const job =
    walls.length === 0 ? given : { ...given, wallOutlets: Object.fromEntries(walls.map((wall) => [wall.id, wall])) };
  const { problem, items, places, first } = plugProblem(job);
  const packed = pack(problem, limits);
  const wallsUnknown = wallOutletCount(job) === null;
  const feedName = (feed: Gear | null, wallId: string | null) =>
    feed?.name ?? job.wallOutlets[wallId ?? '']?.name ?? '';
  const units = first.flatMap((plug): PlugChoice[] => {
    const gear = job.gear[plug.gearId];
    const feed = plug.feedId === null ? null : (job.gear[plug.feedId] ?? null);
    if (!gear) return [];
    const far = mainsWayMm(
      job,
      gear,
      feed ? { gear: feed, outlet: plug.outlet } : { reachMm: job.wallOutlets[plug.wallId ?? '']?.reachMm ?? null },
    );
    return [
      {
        plug,
        gear,
        feedName: feedName(feed, plug.wallId),
        cordMm: stockCordMm(far ?? 1500),
        why: [feed ? 'behind a battery: no wall outlet is free' : 'feeds others: into the wall'],
      },
    ];
  });
  const chosen = items.flatMap(({ gear, inlet }, item): PlugChoice[] => {
    const at = places[packed.placeOf[item] ?? -1];
    if (!at) return [];
    return [
      {
        plug: plugAt(gear, inlet, at),
        gear,
        feedName: feedName(at.feed, at.wallId),
        cordMm: stockCordMm(way(job, gear, at) ?? 1500),
        why: whyHere(job, gear, at, items, places, packed.placeOf, item, problem.cost),
      },
    ];
  });
  const out = items.flatMap((item, at) => ((packed.placeOf[at] ?? -1) < 0 ? [{ item, at }] : []));
  const unfed = feedsOf(job).units.filter(
    (gear) =>
      inletCount(gear) > 0 &&
      !feedsOf(job).plugAtInlet.has(portKey(gear.id, 1)) &&
      !first.some((plug) => plug.gearId === gear.id),
  );
  return {
    plugs: [...units, ...chosen],
    left: [
      ...unfed.map((gear) => ({
        gear,
        inlet: 1,
        why: wallsUnknown ? 'No wall outlet has been entered.' : 'No free wall outlet takes its plug.',
      })),
      ...out.map(({ item, at }) => ({ gear: item.gear, inlet: item.inlet, why: whyLeft(problem, places, at) })),
    ],
    missing: missingKinds(
      job,
      out.map(({ item }) => item.gear),
      unfed.length,
    ),
    proven: packed.proven,
    points: packed.cost,
    bound: packed.bound,
    walls,
    wallsUnknown,
  };
}

function whyHere(
  job: Job,
  gear: Gear,
  at: Place,
  items: readonly Item[],
  places: readonly Place[],
  placeOf: Int32Array,
  item: number,
  cost: Float64Array,
): string[] {
  const why: string[] = [];
  if (gear.inOutage === 'stays')
    why.push(at.battery ? 'must stay on: on battery' : offBatteryWhy(cost, places, placeOf, item));
  else if (at.battery && NETWORK.includes(gear.kind))
    why.push('the network hangs on it: on battery, though not set to stay on');
  else if (at.battery) why.push('no other outlet is free');
  else if (gear.inOutage === 'may-go') why.push('may go dark in an outage, as set in Stack');
  const other = items.findIndex((one, slot) => slot !== item && one.gear.id === gear.id && (placeOf[slot] ?? -1) >= 0);
  const there = other < 0 ? undefined : places[placeOf[other] ?? -1];
  if (there)
    why.push(
      feedKey(there) === feedKey(at)
        ? 'same feed as its other supply: there is no second'
        : 'another feed than its other supply',
    );
  if (HANGS.includes(gear.kind) && at.outlet.switched) why.push('can be switched off and on from afar');
  const fit = plugFit(job, gear, at.feed, at.outlet);
  const width = plugWidthMm(job, gear, fit.fits === 'yes' ? fit.plug : null);
  const covered = places.filter(
    (one) => one.row === at.row && one !== at && Math.abs(one.outlet.xMm - at.outlet.xMm) < width / 2,
  );
  if (covered.length > 0) why.push(`covers outlet ${covered.map(({ outlet }) => outlet.number).join(', ')}`);
  if (at.kind === null) why.push('the kind of the outlet is not known');
  if (!items[item]?.drawKnown) why.push('its draw is not known: its watts are not counted');
  return why.length > 0 ? why : ['shortest cord'];
}

/** Why what must stay on is not behind a battery: no outlet is left that takes its plug, or it would be too much for one. */
function offBatteryWhy(cost: Float64Array, places: readonly Place[], placeOf: Int32Array, item: number): string {
  const used = new Set(placeOf);
  const open = places.some(
    ({ battery }, at) =>
      battery && !used.has(at) && Number.isFinite(cost[item * places.length + at] ?? Number.POSITIVE_INFINITY),
  );
  return open
    ? 'must stay on, and with it the battery would be overloaded or not last as long as wanted'
    : 'must stay on, and no battery outlet is left that takes its plug';
}

function whyLeft({ places: count, cost }: PackingProblem, places: readonly Place[], item: number): string {
  const fits = places.filter((_, at) => Number.isFinite(cost[item * count + at] ?? Number.POSITIVE_INFINITY));
  return fits.length === 0
    ? 'No free outlet takes its plug.'
    : 'All outlets that take its plug are taken or covered, or what feeds them would be overloaded.';
}

/** Outlets that are missing: what goes into either gets the kind that strips and battery units have. */
function missingKinds(job: Job, gear: readonly Gear[], unfed: number): PlugPlan['missing'] {
  const counts = new Map<OutletKind | null, number>();
  if (unfed > 0) counts.set(outletKindOf(null, null, job.rules), unfed);
  for (const one of gear) {
    const plugs = plugsFor(one.inlet, one.plug, job.rules);
    const kind = OUTLET_KINDS.find((name) => plugs?.some((plug) => outlets[name].takes.includes(plug))) ?? null;
    counts.set(kind, (counts.get(kind) ?? 0) + 1);
  }
  return [...counts].map(([kind, count]) => ({ kind, count }));
}
