import { sameKey } from '../../../base/text/sameKey';
import type { Job } from '../../../job/document/job';
import { indexJob } from '../../../job/document/jobIndex';
import type { Gear } from '../../../job/records/gear';
import { portKey } from '../../../job/records/portKey';
import { portsOf } from '../../../job/records/ports';
import type { Run } from '../../../job/records/run';
import { groupMoves, type Move, type MoveGroup } from './movedCords';
import type { SeenPort } from './readWalk';
import { misfits } from './signs';
import { type SilentCause, type SilentPort, silentMoves } from './silentMoves';
import { weakPort } from './weakPort';

export type CauseKind = 'exchanged' | 'missing' | 'extra' | 'shifted' | 'slow' | 'no-power' | 'network' | 'unknown';
export type SwitchPlace = { switchId: string; port: number };
export type Cause = {
  kind: CauseKind;
  ports: number[];
  /** The same ports with their switches. */
  places: SwitchPlace[];
  /** Labels of the runs that it is about. */
  runs: string[];
  /** So many findings it explains. */
  explains: number;
  words: string;
  mend: string;
};

/** What a cause is, by its kind and ports, whatever its sentence says. At most 200 characters. */
export const causeId = ({ kind, places }: Pick<Cause, 'kind' | 'places'>): string =>
  `${kind} ${places.map(({ switchId, port }) => portKey(switchId, port)).join(' ')}`.slice(0, 200);

export type Reconciled = {
  causes: Cause[];
  /** Ports that are as planned, as far as can be told. */
  agree: number;
  /** Of those, the ones that are sure: the run is known by its address, or the uplink by who calls itself so. */
  sure: SwitchPlace[];
  /** Runs that are seen in another port than planned. */
  moved: { runId: string; place: SwitchPlace }[];
  /** Differences that no cause accounts for, or that several would. */
  unexplained: { places: SwitchPlace[]; words: string }[];
  /** What cannot be told, in words. */
  untold: string[];
  /**
   * No fewer causes explain what was found: each explains what hangs together, and nothing of another. Not so where a port is
   * down and another is up with nobody known on it: that may be one cord that was moved. Not so either while anything is
   * left over that no cause explains.
   */
  proven: boolean;
};

/** What the plan wants at a port of a switch. */
export type PlannedPort = {
  port: number;
  run: Run | null;
  uplink: boolean;
  /** What is at the other end of its uplink. */
  other: Gear | null;
};

/** Ports of a switch with the run that is planned on each. */
export function plannedPorts(job: Job, device: Gear): PlannedPort[] {
  const index = indexJob(job);
  return portsOf(device).map(({ number }) => {
    const key = portKey(device.id, number);
    const cord = index.cordAtSwitchPort.get(key);
    const landing = cord && index.landingAtPort.get(portKey(cord.panelId, cord.panelPort));
    const uplink = index.uplinkAtPort.get(key);
    const otherId = uplink && (uplink.fromId === device.id ? uplink.toId : uplink.fromId);
    return {
      port: number,
      run: (landing && job.runs[landing.runId]) ?? null,
      uplink: uplink !== undefined,
      other: job.gear[otherId ?? ''] ?? null,
    };
  });
}

export type Reading = { device: Gear; seen: readonly SeenPort[] };

/** What one switch sees against what is planned on it. */
export const reconcile = (
  job: Job,
  device: Gear,
  seen: readonly SeenPort[],
  runOf: (address: string) => string | null,
): Reconciled => reconcileAll(job, [{ device, seen }], runOf);

/** A port of one of the switches that were read, with what is planned and what is seen there. */
type Place = PlannedPort & { device: Gear; seen: SeenPort | null; at: number };

/**
 * What switches see against what is planned on them, explained by the fewest causes. Two cords exchanged are one cause, so is
 * a ring of several, and so is a row of cords that sit one port off; a cord that sits in another of the switches too.
 * @param runOf which run's device an address belongs to; null: nobody knows
 */
// biome-ignore lint/complexity/noExcessiveLinesPerFunction: a port is one of these kinds, looked for in this order
export function reconcileAll(
  job: Job,
  readings: readonly Reading[],
  runOf: (address: string) => string | null,
): Reconciled {
  const places = placesOf(job, readings);
  const many = readings.length > 1;
  const named = ({ device, port }: Place) => (many ? `${device.name} ${port}` : String(port));
  const { moves, moved, explains } = movesOf(job, places, runOf);
  const { groups, proven } = groupMoves(moves, rowsOf(job, places));
  const causes = groups.map((group) => movedCause(group, places, named));
  const explained = new Set(groups.flatMap((group) => group.places));
  const silent = silentOf(job, places, explained, runOf, named);
  for (const one of silent.causes) {
    causes.push(silentCause(one, places, named));
    for (const place of one.places) explained.add(place);
    for (const { from, to } of one.moves) {
      const [run, there] = [places[from]?.run, places[to]];
      if (run && there) moved.push({ runId: run.id, place: { switchId: there.device.id, port: there.port } });
    }
  }
  const ambiguous = new Set(silent.ambiguous);
  const unexplained: Reconciled['unexplained'] = [];
  const untold: string[] = [];
  const cause = (kind: CauseKind, place: Place, runs: string[], words: string, mend: string): void => {
    causes.push({
      kind,
      ports: [place.port],
      places: [{ switchId: place.device.id, port: place.port }],
      runs,
      explains: 1,
      words,
      mend,
    });
  };
  let agree = 0;
  const sure: SwitchPlace[] = [];
  for (const place of places) {
    const { run, uplink, other, seen } = place;
    const port = named(place);
    if (!seen) {
      if (run || uplink) untold.push(`The switch says nothing of port ${port}.`);
      continue;
    }
    if (explained.has(place.at)) continue;
    if (uplink) {
      if (seen.up === false)
        cause(
          'missing',
          place,
          [],
          `The uplink in port ${port} is down.`,
          `Look at the cord in port ${port} and its other end.`,
        );
      else if (
        other &&
        seen.neighbours.length > 0 &&
        !seen.neighbours.some((one) => sameKey(one) === sameKey(other.name))
      )
        cause(
          'unknown',
          place,
          [],
          `Port ${port} leads to ${seen.neighbours.join(', ')}; the uplink to ${other.name} is planned there.`,
          `Look where the cord in port ${port} goes, or whether ${other.name} calls itself otherwise.`,
        );
      else {
        agree += 1;
        if (other && seen.neighbours.length > 0) sure.push({ switchId: place.device.id, port: place.port });
      }
      continue;
    }
    if (run === null) {
      if (!seen.up) {
        if (seen.poe === 'delivering')
          unexplained.push({
            places: [{ switchId: place.device.id, port: place.port }],
            words: `Port ${port} supplies power, though nothing is planned there and no link is up.`,
          });
        continue;
      }
      const strangers = seen.addresses.flatMap((address) => job.runs[runOf(address) ?? '']?.label ?? []);
      cause(
        'extra',
        place,
        strangers,
        `Port ${port} is up, though nothing is planned there${strangers.length > 0 ? `: it is ${strangers.join(', ')}` : ''}.`,
        `Put into the plan what is in port ${port}, or unplug it.`,
      );
      continue;
    }
    if (seen.up === false) {
      cause(
        'missing',
        place,
        [run.label],
        `Port ${port} is down; ${run.label}${run.device ? ` (${run.device})` : ''} should be on it.`,
        `Look at the cord of ${run.label} and whether its device is on.`,
      );
      continue;
    }
    const here = [{ switchId: place.device.id, port: place.port }];
    const weak = weakPort(job, run, seen, port);
    if (ambiguous.has(place.at)) {
      for (const { words } of misfits(job, run, seen, port)) unexplained.push({ places: here, words });
      continue;
    }
    for (const { kind, words, mend } of weak.causes) cause(kind, place, [run.label], words, mend);
    for (const words of weak.unexplained) unexplained.push({ places: here, words });
    const unsure = whoIsThere(seen, run, port, runOf);
    if (unsure) untold.push(unsure);
    if (weak.causes.length + weak.unexplained.length === 0) agree += 1;
    if (seen.addresses.some((address) => runOf(address) === run.id))
      sure.push({ switchId: place.device.id, port: place.port });
  }
  for (const words of explains) untold.push(words);
  return {
    causes: causes.sort((a, b) => b.explains - a.explains || (a.places[0]?.port ?? 0) - (b.places[0]?.port ?? 0)),
    agree,
    sure,
    moved,
    unexplained,
    untold,
    proven: proven && unexplained.length === 0 && !mayBeFewer(causes),
  };
}

function placesOf(job: Job, readings: readonly Reading[]): Place[] {
  const places: Place[] = [];
  for (const { device, seen } of readings) {
    const at = new Map(seen.map((one) => [one.port, one]));
    for (const planned of plannedPorts(job, device))
      places.push({ ...planned, device, seen: at.get(planned.port) ?? null, at: places.length });
  }
  return places;
}

/** What is known by its address and is seen elsewhere than planned. */
function movesOf(
  job: Job,
  places: readonly Place[],
  runOf: (address: string) => string | null,
): { moves: Move[]; moved: Reconciled['moved']; explains: string[] } {
  const plannedAt = new Map(places.flatMap(({ run, at }) => (run ? [[run.id, at] as const] : [])));
  // A device is where its address was learnt, but for links to other switches: what is behind those is farther away.
  const seenAt = new Map<string, number>();
  const explains: string[] = [];
  for (const { seen, uplink, at } of places) {
    if (uplink) continue;
    for (const address of seen?.addresses ?? []) {
      const run = runOf(address);
      if (run === null) continue;
      const before = seenAt.get(run);
      // Two switches that see it both: behind one of them is the other, over a link that is not in the plan.
      if (before !== undefined && before !== at && plannedAt.get(run) === before) {
        explains.push(
          `${job.runs[run]?.label ?? run} is seen in two places: a link that is not in the plan may be between them.`,
        );
        continue;
      }
      seenAt.set(run, at);
    }
  }
  const elsewhere = [...seenAt].flatMap(([runId, to]) => {
    const from = plannedAt.get(runId);
    return from === undefined || from === to ? [] : [{ runId, from, to }];
  });
  return {
    moves: elsewhere.map(({ runId, from, to }) => ({ name: job.runs[runId]?.label ?? runId, from, to })),
    moved: elsewhere.flatMap(({ runId, to }) => {
      const place = places[to];
      return place ? [{ runId, place: { switchId: place.device.id, port: place.port } }] : [];
    }),
    explains,
  };
}

/** Along which row something went: ports of the same switch, or of the panel whose cord is in the port where it is seen. */
function rowsOf(job: Job, places: readonly Place[]) {
  const index = indexJob(job);
  const panelPort = (at: number) => {
    const place = places[at];
    const cord = place && index.cordAtSwitchPort.get(portKey(place.device.id, place.port));
    return cord ? { panelId: cord.panelId, port: cord.panelPort } : null;
  };
  return ({ from, to }: Move) => {
    const [a, b] = [places[from], places[to]];
    const rows: { of: 'switch' | 'panel'; by: number; key: string }[] = [];
    if (a && b && a.device.id === b.device.id)
      rows.push({ of: 'switch', by: b.port - a.port, key: `switch ${a.device.id} ${b.port - a.port}` });
    const [landed, reached] = [panelPort(from), panelPort(to)];
    if (landed && reached && landed.panelId === reached.panelId) {
      const by = reached.port - landed.port;
      rows.push({ of: 'panel', by, key: `panel ${landed.panelId} ${by}` });
    }
    return rows;
  };
}

/** What signs alone tell of ports where nobody is known by an address. */
function silentOf(
  job: Job,
  places: readonly Place[],
  explained: ReadonlySet<number>,
  runOf: (address: string) => string | null,
  named: (place: Place) => string,
) {
  const signs = places.flatMap((place): SilentPort[] => {
    const { run, uplink, seen, at, device, port } = place;
    if (!seen || uplink || seen.up === null) return [];
    const known = seen.addresses.some((address) => runOf(address) !== null);
    return [
      {
        at,
        switchId: device.id,
        port,
        planned: run !== null,
        up: seen.up,
        kinds: run && seen.up ? misfits(job, run, seen, named(place)).map(({ kind }) => kind) : [],
        settled: known || explained.has(at),
      },
    ];
  });
  return silentMoves(signs, (from, to) => {
    const [run, seen] = [places[from]?.run, places[to]?.seen];
    return run !== null && run !== undefined && seen?.up === true && misfits(job, run, seen, '').length === 0;
  });
}

function silentCause(
  { kind, moves, places: at, by }: SilentCause,
  places: readonly Place[],
  named: (place: Place) => string,
): Cause {
  const inside = at.flatMap((one) => places[one] ?? []);
  const runs = moves.flatMap(({ from }) => places[from]?.run?.label ?? []);
  const list = inside.map(named);
  const words =
    kind === 'shifted' && by !== null
      ? `${moves.length} cords sit ${ports(by)} ${by > 0 ? 'too high' : 'too low'}, ports ${list[0]} to ${list.at(-1)}, by speed, power and network.`
      : moves.length === 2
        ? `Ports ${list.join(' and ')} show each other’s devices by speed, power and network: ${runs.join(' and ')} are exchanged.`
        : `Ports ${list.join(', ')} show each other’s devices by speed, power and network: ${runs.join(', ')} went round in a ring.`;
  return {
    kind,
    ports: inside.map(({ port }) => port),
    places: inside.map(({ device, port }) => ({ switchId: device.id, port })),
    runs,
    explains: inside.length,
    words,
    mend: 'Check them, then put them where they are planned, or take what is seen into the plan.',
  };
}

const ports = (count: number): string => `${Math.abs(count)} ${Math.abs(count) === 1 ? 'port' : 'ports'}`;

function movedCause(
  { kind, moves, places: at, offset }: MoveGroup,
  places: readonly Place[],
  named: (place: Place) => string,
): Cause {
  const inside = at.flatMap((one) => places[one] ?? []);
  const names = moves.map(({ name }) => name);
  const of = (one: number) => named(places[one] as Place);
  const words =
    kind === 'exchanged'
      ? inside.length === 2
        ? `The cords in ports ${inside.map(named).join(' and ')} are exchanged: ${names.join(' and ')}.`
        : `The cords in ports ${inside.map(named).join(', ')} went round in a ring: ${names.join(', ')}.`
      : offset && moves.length > 1
        ? offset.of === 'panel'
          ? `${moves.length} runs are landed ${ports(offset.by)} ${offset.by > 0 ? 'too high' : 'too low'} on their panel: ${names.join(', ')}.`
          : `${moves.length} cords sit ${ports(offset.by)} ${offset.by > 0 ? 'too high' : 'too low'}, ports ${named(inside[0] as Place)} to ${named(inside.at(-1) as Place)}.`
        : `${names.join(', ')} sit${names.length === 1 ? 's' : ''} in another port: ${moves.map(({ name, from, to }) => `${name} in ${of(to)} and not in ${of(from)}`).join(', ')}.`;
  return {
    kind,
    ports: inside.map(({ port }) => port),
    places: inside.map(({ device, port }) => ({ switchId: device.id, port })),
    runs: names,
    explains: kind === 'exchanged' ? moves.length : inside.length,
    words,
    mend: 'Put them where they are planned, or take what is seen into the plan.',
  };
}

/** Why it cannot be told whether a run is on a port that is up. */
function whoIsThere(seen: SeenPort, run: Run, port: string, runOf: (address: string) => string | null): string | null {
  if (seen.addresses.length > 1)
    return `Port ${port} has learnt ${seen.addresses.length} addresses: a small switch is behind it.`;
  if (seen.addresses.length === 0)
    return `Port ${port} is up and silent: whether ${run.label} is on it cannot be told.`;
  return seen.addresses.every((address) => runOf(address) === null)
    ? `The address in port ${port} is not known: whether it is ${run.label} cannot be told.`
    : null;
}

const mayBeFewer = (causes: readonly Cause[]): boolean =>
  causes.some(({ kind, runs }) => kind === 'missing' && runs.length > 0) &&
  causes.some(({ kind, runs }) => kind === 'extra' && runs.length === 0);
