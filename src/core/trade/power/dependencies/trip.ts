import { kept } from '../../../base/memo/kept';
import { joinedGroups } from '../../../base/text/joinedGroups';
import { linksOf, patchCordsOf } from '../../../job/document/cordKinds';
import type { Job } from '../../../job/document/job';
import { indexJob } from '../../../job/document/jobIndex';
import type { Gear } from '../../../job/records/gear';
import { inletCount, outletsOf } from '../../../job/records/mainsSockets';
import type { Plug } from '../../../job/records/plug';
import { portKey } from '../../../job/records/portKey';
import { isLive, type Run } from '../../../job/records/run';
import { type Feeds, feedsOf } from '../feeds';
import { linkSources } from '../linkFed';
import { takesPower } from '../poe';
import { type Part, partKey } from './parts';
import { type Service, servicesOf } from './services';

/** What stands at one moment. */
type Moment = {
  failed: ReadonlySet<string>;
  /** Battery units that are empty. */
  empty: ReadonlySet<string>;
  generatorOn: boolean;
};

export type Standing = {
  /** Devices that have no power or are broken. */
  dark: ReadonlySet<string>;
  /** Runs whose far end does not work. */
  cut: ReadonlySet<string>;
  /** Battery units that live on their battery. */
  onBattery: readonly Gear[];
  services: readonly { service: Service; up: number; of: number }[];
};

/** Every plug that feeds a device, lowest inlet first. */
const plugsOf = (feeds: Feeds, gear: Gear): Plug[] =>
  Array.from({ length: inletCount(gear) }, (_, at) => feeds.plugAtInlet.get(portKey(gear.id, at + 1))).filter(
    (plug) => plug !== undefined,
  );

/** What has power at one moment, and what is joined by it. */
type Powered = Pick<Standing, 'dark' | 'onBattery'> & { joined: Joined };

function poweredAt(job: Job, { failed, empty, generatorOn }: Moment): Powered {
  const index = indexJob(job);
  const feeds = feedsOf(job);
  const mainsOut = failed.has('mains:all');
  const circuitLive = (id: string | null): boolean => {
    if (id === null) return !mainsOut;
    if (failed.has(`circuit:${id}`)) return false;
    return !mainsOut || (generatorOn && job.circuits[id]?.generator === true);
  };
  const inputs = new Map<string, boolean>();
  /** Whether anything comes in at a device's inlets. What has no plug in the plan hangs on the mains somewhere. */
  function hasInput(gear: Gear): boolean {
    const there = inputs.get(gear.id);
    if (there !== undefined) return there;
    inputs.set(gear.id, false);
    const plugs = plugsOf(feeds, gear);
    const live = inletCount(gear) === 0 ? linkFeeds(gear) : plugs.length === 0 ? !mainsOut : plugs.some(plugLive);
    inputs.set(gear.id, live);
    return live;
  }
  /** What has no inlet is fed over a link from a port with power, or needs none. */
  function linkFeeds(gear: Gear): boolean {
    const sources = linkSources(job, gear).filter(({ uplinkId }) => !failed.has(`uplink:${uplinkId}`));
    if (linkSources(job, gear).length === 0) return true;
    return sources.some(({ from }) => !failed.has(`gear:${from.id}`) && (hasInput(from) || livesOn(from)));
  }
  const livesOn = (gear: Gear): boolean => gear.kind === 'ups' && !empty.has(gear.id);
  function plugLive(plug: Plug): boolean {
    if (failed.has(`plug:${plug.id}`)) return false;
    if (plug.wallId !== null)
      return !failed.has(`wall:${plug.wallId}`) && circuitLive(job.wallOutlets[plug.wallId]?.circuitId ?? null);
    const feed = job.gear[plug.feedId ?? ''];
    if (!feed || failed.has(`gear:${feed.id}`)) return false;
    if (hasInput(feed)) return true;
    return feed.kind === 'ups' && outletsOf(feed)[plug.outlet - 1]?.backing === 'battery' && !empty.has(feed.id);
  }
  const onBattery: Gear[] = [];
  const dark = new Set<string>();
  for (const gear of index.gearInOrder) {
    const input = hasInput(gear);
    const battery = gear.kind === 'ups' && inletCount(gear) > 0 && !input;
    if (battery && !empty.has(gear.id) && !failed.has(`gear:${gear.id}`)) onBattery.push(gear);
    if (failed.has(`gear:${gear.id}`) || (!input && !(battery && !empty.has(gear.id)))) dark.add(gear.id);
  }

  return { dark, onBattery, joined: componentsOf(job, (id) => !dark.has(id), failed) };
}

/** What has power, what is reached, and which services that leaves, at one moment. */
export function standing(job: Job, moment: Moment): Standing {
  return reachedAt(job, moment, poweredAt(job, moment));
}

const isServed = (run: Run): boolean => isLive(run) && run.carries === 'ethernet';

function reachedAt(job: Job, { failed }: Moment, { dark, onBattery, joined }: Powered): Standing {
  const index = indexJob(job);
  const mainsOut = failed.has('mains:all');
  const gateway = index.gearInOrder.find(({ kind }) => kind === 'router');
  const cut = new Set<string>();
  for (const run of index.runsInOrder) {
    if (!isServed(run)) continue;
    const landing = index.landingOfRun.get(run.id);
    const cord = landing && index.cordAtPanelPort.get(portKey(landing.panelId, landing.port));
    const works =
      cord !== undefined &&
      !failed.has(`run:${run.id}`) &&
      !failed.has(`gear:${landing?.panelId}`) &&
      !failed.has(`cord:${cord.id}`) &&
      !dark.has(cord.switchId) &&
      // What takes its power elsewhere goes dark with the mains.
      (!mainsOut || takesPower(run)) &&
      (gateway === undefined || joined.whole(cord.switchId, gateway.id));
    if (!works) cut.add(run.id);
  }
  const services = servicesOf(index).map((service) => ({ service, ...countOf(service, cut, dark, joined, index.job) }));
  return { dark, cut, onBattery, services };
}

type Joined = { of: (id: string) => string; whole: (id: string, to: string) => boolean };

const joinedWhenWell = kept((links: ReturnType<typeof linksOf>) => {
  const { join, of } = joinedGroups();
  for (const { fromId, toId } of Object.values(links)) join(fromId, toId);
  return of;
});

/** Which devices still reach each other over cords between them, against what they reach when all is well. */
function componentsOf(job: Job, isUp: (id: string) => boolean, failed: ReadonlySet<string>): Joined {
  const { join, of: now } = joinedGroups();
  for (const { id, fromId, toId } of Object.values(linksOf(job)))
    if (isUp(fromId) && isUp(toId) && !failed.has(`uplink:${id}`)) join(fromId, toId);
  const well = joinedWhenWell(linksOf(job));
  return { of: now, whole: (id, to) => well(id) !== well(to) || (now(id) === now(to) && isUp(to)) };
}

function countOf(
  { runs, needs }: Service,
  cut: ReadonlySet<string>,
  dark: ReadonlySet<string>,
  joined: Joined,
  job: Job,
): { up: number; of: number } {
  // One of each list, and all of them together where they hang together when all is well.
  const lists = needs.map((list) => list.filter((gear) => !dark.has(gear.id)));
  const [first, ...others] = lists;
  const linked =
    lists.every((list) => list.length > 0) &&
    (first === undefined ||
      first.some((one) => others.every((list) => list.some((other) => joined.whole(one.id, other.id)))));
  if (runs.length === 0) {
    if (
      needs.length > 0 &&
      needs.every((list) => list.length === 1) &&
      needs[0]?.[0]?.kind !== 'modem' &&
      needs[0]?.[0]?.kind !== 'router'
    )
      return { up: lists.filter((list) => list.length > 0).length, of: needs.length };
    return { up: linked ? 1 : 0, of: 1 };
  }
  const recorder = first?.[0];
  const up = runs.filter(({ id }) => {
    if (cut.has(id)) return false;
    if (needs.length === 0) return true;
    const landing = indexJob(job).landingOfRun.get(id);
    const cord = landing && indexJob(job).cordAtPanelPort.get(portKey(landing.panelId, landing.port));
    return linked && cord !== undefined && recorder !== undefined && joined.whole(cord.switchId, recorder.id);
  }).length;
  return { up, of: runs.length };
}

export type Lost = { service: string; lost: number; of: number };
export type TripEvent = {
  /** Null: nobody knows when. It may be at any moment, so that such events come first. */
  minutes: number | null;
  what: 'dark' | 'generator' | 'unknown';
  /** Units whose batteries are empty then; of `unknown` the unit whose run time is not known. */
  units: readonly string[];
  /** What goes then, and what is there again. */
  lost: readonly Lost[];
  back: readonly Lost[];
};
export type Trip = {
  parts: readonly Part[];
  darkNow: readonly string[];
  cutNow: readonly string[];
  now: readonly Lost[];
  /** What goes later, and when what was lost comes back. */
  later: readonly TripEvent[];
  onBattery: readonly { unit: Gear; minutes: number | null }[];
  unknown: readonly string[];
};

const NOTHING: Moment = { failed: new Set(), empty: new Set(), generatorOn: false };
type Whole = { powered: Powered; standing: Standing };
/** How all stands when nothing has failed. */
const wholeOf = kept((job: Job): Whole => {
  const powered = poweredAt(job, NOTHING);
  return { powered, standing: reachedAt(job, NOTHING, powered) };
});
export const wholeStanding = (job: Job): Standing => wholeOf(job).standing;

/** The run that hangs on a cord or a run, on which nothing else hangs; undefined for parts on which more may. */
function runOn(job: Job, { kind, id }: Part): Run | null | undefined {
  if (kind !== 'run' && kind !== 'cord') return undefined;
  const cord = patchCordsOf(job)[id];
  const runId =
    kind === 'run' ? id : cord && indexJob(job).landingAtPort.get(portKey(cord.panelId, cord.panelPort))?.runId;
  return job.runs[runId ?? ''] ?? null;
}

/** What goes at once when a part fails, and nothing of what comes later. */
export function lossOf(job: Job, part: Part): Pick<Trip, 'darkNow' | 'cutNow' | 'now'> {
  const { powered, standing: whole } = wholeOf(job);
  const run = runOn(job, part);
  if (run === undefined) {
    const now = standing(job, { ...NOTHING, failed: new Set([partKey(part)]) });
    return lossBetween(whole, now);
  }
  if (run === null || !isServed(run) || whole.cut.has(run.id)) return { darkNow: [], cutNow: [], now: [] };
  // Power stands as it stood: only the services that this run carries are counted again.
  const cut = new Set(whole.cut).add(run.id);
  const services = whole.services.map((one) =>
    one.service.runs.some(({ id }) => id === run.id)
      ? { service: one.service, ...countOf(one.service, cut, powered.dark, powered.joined, job) }
      : one,
  );
  return { darkNow: [], cutNow: [run.id], now: lostBetween(whole, { ...whole, services }) };
}

const lossBetween = (whole: Standing, now: Standing): Pick<Trip, 'darkNow' | 'cutNow' | 'now'> => ({
  darkNow: [...now.dark].filter((id) => !whole.dark.has(id)),
  cutNow: [...now.cut].filter((id) => !whole.cut.has(id)),
  now: lostBetween(whole, now),
});

const lostBetween = (before: Standing, after: Standing): Lost[] =>
  before.services.flatMap(({ service, up }, at) => {
    const now = after.services[at]?.up ?? 0;
    return now < up ? { service: service.name, lost: up - now, of: up } : [];
  });

/**
 * What goes dark when parts fail: at once, and later when batteries run out.
 * @param minutesOf how long a battery unit lasts with what is on it; null: not known
 * @param generatorMin minutes until a generator carries its circuits; null: there is none
 */
export function trip(
  job: Job,
  parts: readonly Part[],
  minutesOf: (unit: Gear) => number | null,
  generatorMin: number | null = null,
): Trip {
  const failed = new Set(parts.map(partKey));
  const whole = wholeStanding(job);
  const first = standing(job, { failed, empty: new Set(), generatorOn: false });
  const waiting = first.onBattery.map((unit) => ({ unit, minutes: minutesOf(unit) }));
  const ends = [...new Set(waiting.flatMap(({ minutes }) => minutes ?? []))];
  const times = failed.has('mains:all') && generatorMin !== null ? [...ends, generatorMin] : ends;
  const empty = new Set<string>();
  const later: TripEvent[] = waiting.flatMap(({ unit, minutes }): TripEvent[] => {
    if (minutes !== null) return [];
    const without = standing(job, { failed, empty: new Set([unit.id]), generatorOn: false });
    return [{ minutes: null, what: 'unknown', units: [unit.name], lost: lostBetween(first, without), back: [] }];
  });
  let generatorOn = false;
  let before = first;
  for (const minutes of [...new Set(times)].sort((a, b) => a - b)) {
    if (minutes === generatorMin && failed.has('mains:all')) generatorOn = true;
    const now = standing(job, { failed, empty, generatorOn });
    const still = new Set(now.onBattery.map(({ id }) => id));
    const units = waiting.filter((one) => one.minutes === minutes && still.has(one.unit.id)).map(({ unit }) => unit);
    for (const { id } of units) empty.add(id);
    const isGenerator = generatorOn && minutes === generatorMin;
    if (units.length === 0 && !isGenerator) continue;
    const after = standing(job, { failed, empty, generatorOn });
    later.push({
      minutes,
      what: isGenerator ? 'generator' : 'dark',
      units: units.map(({ name }) => name),
      lost: lostBetween(before, after),
      back: lostBetween(after, before),
    });
    before = after;
  }
  const unplugged = indexJob(job).gearInOrder.filter(
    (gear) => inletCount(gear) > 0 && plugsOf(feedsOf(job), gear).length === 0,
  );
  return {
    parts,
    ...lossBetween(whole, first),
    later,
    onBattery: waiting,
    unknown: [
      ...waiting.flatMap(({ unit, minutes }) => (minutes === null ? `Run time of ${unit.name} is not known.` : [])),
      ...first.onBattery.flatMap((unit) =>
        (feedsOf(job).plugsInto.get(unit.id) ?? []).some(
          ({ outlet }) => outletsOf(unit)[outlet - 1]?.backing === 'unknown',
        )
          ? `Which outlets of ${unit.name} are battery-backed is not known: those are taken as not backed.`
          : [],
      ),
      ...(unplugged.length > 0
        ? [
            `${unplugged.length === 1 ? `${unplugged[0]?.name} has` : `${unplugged.length} devices have`} no plug in the plan: what feeds ${unplugged.length === 1 ? 'it' : 'them'} is not known.`,
          ]
        : []),
    ],
  };
}

/** `Cameras (3 of 8)`, or the name alone where all of it is gone. */
export const lostWords = ({ service, lost, of }: Lost): string =>
  lost < of ? `${service} (${lost} of ${of})` : service;
