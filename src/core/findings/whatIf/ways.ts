import { counted } from '../../base/text/counted';
import { formatLength } from '../../base/units/length';
import { applyCommands } from '../../job/commands/apply';
import type { Command } from '../../job/commands/commands';
import type { Job } from '../../job/document/job';
import { indexJob, sameKey } from '../../job/document/jobIndex';
import type { Gear } from '../../job/records/gear';
import { portKey } from '../../job/records/portKey';
import { canLand, isPanel, type Port, portsOf } from '../../job/records/ports';
import { Run } from '../../job/records/run';
import { Stream } from '../../job/records/stream';
import { budgetWatts } from '../../trade/patching/budgetWatts';
import { type CordEnds, routeBetween, stockLengthMm, stockLengths } from '../../trade/patching/cords/cordLength';
import { portFault } from '../../trade/patching/fitness';
import { switchLoads } from '../../trade/patching/switchLoad';
import { recorderFacts, recordersOf } from '../../trade/power/storage/recorders';
import { pathwayFigures } from '../../trade/runs/pathways/pathwayFigures';
import { runLengthMm } from '../../trade/runs/routeLength';
import { answerOf } from '../../trade/survey/answers/answers';
import { proofOf } from '../../trade/testing/proof';
import { findSnags } from '../snags/findSnags';
import { newSnags } from '../snags/newSnags';
import type { Snag } from '../snags/snag';
import { nextLabel, type OneMoreWish, sparesIn } from './wish';

/** Minutes by rule of thumb, no source: setting up a device, patching it, testing a run, pulling one. */
const MINUTES = { device: 15, patch: 2, test: 5, pull: 20, pullAMetre: 0.6, label: 2 } as const;
/** What a port that could do more is held dearer by, in the job's money: a step of speed, power that is not needed. Rule of thumb. */
const DEARER = { speedStep: 1, power: 3 } as const;
/** A cord whose length cannot be told is reckoned so long, mm. */
const UNKNOWN_CORD_MM = 3_000;
const SPEED_STEPS = [1000, 2500, 5000, 10_000, 25_000, 40_000];

export type Way = {
  kind: 'spare run' | 'new run';
  label: string;
  /** Whole path, part by part. */
  path: { part: string; words: string }[];
  minutes: number;
  /** Parts, in the job's money. */
  money: number;
  /** What it is chosen by: parts, minutes at the job's hour, and what ports are held dearer by. */
  cost: number;
  usesUp: string[];
  /** Snags that it would bring. */
  bites: string[];
  /** What goes dark while it is done. */
  dark: string;
  commands: Command[];
  notes: string[];
};
export type Ways = {
  /** Cheapest first. */
  ways: Way[];
  /** Why there is none, or no more. */
  none: string[];
  /** Every spare run, panel port and switch port was looked at. */
  proven: boolean;
};

type Seat = { gear: Gear; port: Port };
export type PanelPort = { panel: Gear; port: number };

/** Free ports of switches that take a run, within what their budgets leave. */
export function freeSeats(job: Job, run: Run): Seat[] {
  const index = indexJob(job);
  const loads = switchLoads(job);
  const watts = budgetWatts(job, run);
  return index.gearInOrder
    .filter(({ kind }) => kind === 'switch')
    .flatMap((gear) => {
      const spare = gear.poeBudgetW - (loads.get(gear.id)?.usedW ?? 0);
      if (watts > 0 && watts > spare + 1e-9) return [];
      return portsOf(gear)
        .filter(({ number }) => {
          const key = portKey(gear.id, number);
          return !index.cordAtSwitchPort.has(key) && !index.uplinkAtPort.has(key);
        })
        .filter((port) => portFault(run, port) === null)
        .map((port) => ({ gear, port }));
    });
}

/** Free panel ports that a run can be landed on. */
export function freePanelPorts(job: Job, run: Run): PanelPort[] {
  const index = indexJob(job);
  return index.gearInOrder.filter(isPanel).flatMap((panel) =>
    portsOf(panel)
      .filter((port) => canLand(port, run.carries) && !index.landingAtPort.has(portKey(panel.id, port.number)))
      .map(({ number }) => ({ panel, port: number })),
  );
}

const metrePrice = (job: Job, cable: string): number =>
  Number(answerOf(job, /6\s*a/i.test(cable) ? 'cost-6A' : /5e/i.test(cable) ? 'cost-5e' : 'cost-6'));
const hourPrice = (job: Job): number => Number(answerOf(job, 'cost-hour'));

/** What a cord between two ports and the switch port cost: the cord by the metre of its cable, and what the port is held dearer by. */
export function patchCost(job: Job, run: Run, ends: CordEnds, port: Port): { cost: number; mm: number | null } {
  const route = routeBetween(job, ends);
  const mm = route === null ? null : stockLengthMm(stockLengths(job), route.mm);
  const steps = SPEED_STEPS.filter(
    (step) => step > Math.max(run.speedMbps ?? 0, 1000) && step <= (port.speedMbps ?? 0),
  ).length;
  const power = port.poeW > 0 && budgetWatts(job, run) === 0 ? DEARER.power : 0;
  return { cost: ((mm ?? UNKNOWN_CORD_MM) / 1000) * metrePrice(job, run.cable) + steps * DEARER.speedStep + power, mm };
}

type Best = { place: PanelPort; seat: Seat; cost: number; mm: number | null };

/** The cheapest pair of panel port and switch port: every one is looked at. */
export function bestPair(job: Job, run: Run, places: readonly PanelPort[], seats: readonly Seat[]): Best | null {
  let best: Best | null = null;
  for (const place of places)
    for (const seat of seats) {
      const ends = {
        panelId: place.panel.id,
        panelPort: place.port,
        switchId: seat.gear.id,
        switchPort: seat.port.number,
      };
      const { cost, mm } = patchCost(job, run, ends, seat.port);
      if (best === null || cost < best.cost - 1e-9) best = { place, seat, cost, mm };
    }
  return best;
}

/** The kind of cable that most runs have. */
function usualCable(job: Job): string {
  const counts = new Map<string, number>();
  for (const { cable, carries } of Object.values(job.runs))
    if (cable !== '' && carries === 'ethernet') counts.set(cable, (counts.get(cable) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1] || a[0].localeCompare(b[0]))[0]?.[0] ?? 'Cat 6 U/UTP';
}

/** The run that a new cable would be: as the wish says, by the pathways of a neighbour. */
function draftRun(job: Job, wish: OneMoreWish, id: string): Run {
  return Run.parse({
    id,
    label: nextLabel(job),
    floor: wish.floor,
    room: wish.room,
    outlet: wish.outlet,
    cable: usualCable(job),
    device: wish.device,
    speedMbps: wish.speedMbps,
    poeW: wish.poeW,
    askedBy: 'one more',
  });
}

/** Pathways of another run of the same room, else of the same floor, that the new one would go by. */
function neighbourPathways(job: Job, wish: OneMoreWish): { ids: string[]; of: string } | null {
  const through = new Map<string, string[]>();
  for (const { runId, pathwayId } of Object.values(job.passages))
    through.set(runId, [...(through.get(runId) ?? []), pathwayId]);
  const near = (fits: (run: Run) => boolean) =>
    indexJob(job).runsInOrder.find((run) => (through.get(run.id)?.length ?? 0) > 0 && fits(run));
  const run =
    near(({ room, floor }) => sameKey(room) === sameKey(wish.room) && sameKey(floor) === sameKey(wish.floor)) ??
    near(({ floor }) => sameKey(floor) === sameKey(wish.floor));
  return run ? { ids: through.get(run.id) ?? [], of: run.label } : null;
}

const wished = (run: Run, wish: OneMoreWish): Run => ({
  ...run,
  device: wish.device,
  speedMbps: run.speedMbps === null ? wish.speedMbps : Math.max(run.speedMbps, wish.speedMbps),
  poeW: wish.poeW,
});

/**
 * Ways to bring one more device into a room, cheapest first: a spare run that ends there or a new one, panel port, switch port
 * with speed and watts, cord from stock, network, storage of its recordings, label.
 * @param most so many ways
 */
export function waysFor(job: Job, wish: OneMoreWish, newId: (what: string) => string, most = 3): Ways {
  const ways: Way[] = [];
  const none: string[] = [];
  const spares = sparesIn(job, wish);
  for (const spare of spares) {
    const run = wished(spare, wish);
    const way = spareWay(job, spare, run, wish, newId, none);
    if (way) ways.push(way);
  }
  if (spares.length === 0) none.push(`No spare run ends in ${wish.room}.`);
  const fresh = newWay(job, wish, newId, none);
  if (fresh) ways.push(fresh);
  ways.sort((a, b) => a.cost - b.cost || a.label.localeCompare(b.label));
  // Of spare runs the cheapest ones, and the new one however dear it is: it leaves the spares.
  const cheapest = ways.slice(0, most);
  if (fresh && !cheapest.includes(fresh)) cheapest.splice(most - 1, 1, fresh);
  const before = findSnags(job);
  return {
    ways: cheapest.map((way) => ({ ...way, bites: bitesOf(job, way.commands, before) })),
    none: [...new Set(none)],
    proven: true,
  };
}

/** Snags that stand after the commands and did not before. */
const bitesOf = (job: Job, commands: readonly Command[], before: readonly Snag[]): string[] =>
  newSnags(before, findSnags(applyCommands(job, [...commands]).job)).map(({ what }) => what);

function spareWay(
  job: Job,
  spare: Run,
  run: Run,
  wish: OneMoreWish,
  newId: (what: string) => string,
  none: string[],
): Way | null {
  const index = indexJob(job);
  const landing = index.landingOfRun.get(spare.id);
  const panel = job.gear[landing?.panelId ?? ''];
  const cord = landing && index.cordAtPanelPort.get(portKey(landing.panelId, landing.port));
  const places = landing && panel ? [{ panel, port: landing.port }] : freePanelPorts(job, run);
  if (places.length === 0) {
    none.push(`No panel port is free for ${spare.label}.`);
    return null;
  }
  const standing = cord && job.gear[cord.switchId];
  const port = standing && portsOf(standing).find(({ number }) => number === cord.switchPort);
  const kept = standing && port && portFault(run, port) === null ? [{ gear: standing, port }] : null;
  const best = bestPair(job, run, places, kept ?? freeSeats(job, run));
  if (!best) {
    none.push(noSeat(wish));
    return null;
  }
  const proven = proofOf(job, spare).verdict === 'passed';
  const land = !landing;
  const minutes =
    MINUTES.device +
    (kept ? 0 : MINUTES.patch) +
    (proven ? 0 : MINUTES.test) +
    (land ? Number(answerOf(job, 'minutes-jack')) + MINUTES.label : 0);
  const changes = {
    device: wish.device,
    speedMbps: run.speedMbps,
    poeW: wish.poeW,
    ...(wish.network ? { network: wish.network } : {}),
    ...(spare.askedBy === '' ? { askedBy: 'one more' } : {}),
  };
  return finish(job, wish, newId, {
    kind: 'spare run',
    run: { ...run, label: spare.label },
    best,
    minutes,
    money: 0,
    usesUp: ['a spare run'],
    commands: [{ type: 'editRuns', edits: [{ runId: spare.id, changes }] }],
    land: land ? spare.id : null,
    patch: !kept,
    runId: spare.id,
    notes: [...(proven ? [] : ['The run is not proven: test it first.'])],
    cable: [spare.cable, formatted(job, runLengthMm(job, spare))].filter(Boolean).join(', '),
  });
}

const formatted = (job: Job, mm: number | null): string =>
  mm === null ? 'length not known' : formatLength(mm, job.units);
const noSeat = (wish: OneMoreWish): string =>
  wish.poeW > 0
    ? `No free switch port has ${wish.speedMbps} Mb/s and power for ${wish.poeW} W within its budget: a switch with more watts would.`
    : `No free switch port has ${wish.speedMbps} Mb/s.`;

function newWay(job: Job, wish: OneMoreWish, newId: (what: string) => string, none: string[]): Way | null {
  const run = draftRun(job, wish, newId('run'));
  const places = freePanelPorts(job, run);
  if (places.length === 0) {
    none.push('No panel port is free for a new run.');
    return null;
  }
  const best = bestPair(job, run, places, freeSeats(job, run));
  if (!best) {
    none.push(noSeat(wish));
    return null;
  }
  const mm = runLengthMm(job, run);
  const near = neighbourPathways(job, wish);
  const metres = (mm ?? 0) / 1000;
  const { id, label, floor, room, outlet, cable, device, speedMbps, poeW, askedBy } = run;
  const entry = {
    id,
    label,
    floor,
    room,
    outlet,
    cable,
    device,
    speedMbps,
    poeW,
    askedBy,
    ...(wish.network ? { network: wish.network } : {}),
  };
  const passages = (near?.ids ?? []).map((pathwayId) => ({
    table: 'passages' as const,
    record: { id: newId('passage'), pathwayId, runId: id },
  }));
  const commands: Command[] = [
    { type: 'addRuns', runs: [entry] },
    ...(passages.length > 0 ? [{ type: 'keepRows' as const, rows: passages }] : []),
  ];
  const after = applyCommands(job, commands).job;
  const full = (near?.ids ?? []).flatMap((pathwayId) => {
    const pathway = after.pathways[pathwayId];
    if (!pathway) return [];
    const { fill, allowance, fits } = pathwayFigures(after, pathway);
    return !fits || fill > allowance.share ? [`${pathway.name} would be too full.`] : [];
  });
  const jacks = 2 * Number(answerOf(job, 'minutes-jack'));
  return finish(job, wish, newId, {
    kind: 'new run',
    run,
    best,
    minutes:
      MINUTES.pull +
      metres * MINUTES.pullAMetre +
      jacks +
      MINUTES.label * 2 +
      MINUTES.test +
      MINUTES.patch +
      MINUTES.device,
    money: metres * metrePrice(job, cable) + 2 * Number(answerOf(job, 'cost-keystone-port')),
    usesUp: [mm === null ? 'cable of a length that is not known' : `${formatLength(mm, job.units)} of ${cable}`],
    commands,
    land: id,
    patch: true,
    runId: id,
    notes: [
      ...(mm === null ? ['Its length is not known: minutes and money are at least so much.'] : []),
      ...(near
        ? [`By the pathways of ${near.of}.`]
        : ['No pathway to that room is on the plan: look whether there is one.']),
      ...full,
    ],
    cable: [cable, formatted(job, mm)].join(', '),
  });
}

type Draft = {
  kind: Way['kind'];
  run: Run;
  best: Best;
  minutes: number;
  money: number;
  usesUp: string[];
  commands: Command[];
  /** Run that is landed with it. */
  land: string | null;
  patch: boolean;
  runId: string;
  notes: string[];
  cable: string;
};

/** The rest of a way: landing, cord, storage, and what it comes to. */
function finish(job: Job, wish: OneMoreWish, newId: (what: string) => string, draft: Draft): Way {
  const { run, best, land, patch } = draft;
  const { place, seat } = best;
  const commands = [...draft.commands];
  const usesUp = [...draft.usesUp];
  const notes = [...draft.notes];
  if (land) {
    commands.push({ type: 'landRuns', landings: [{ runId: land, panelId: place.panel.id, port: place.port }] });
    usesUp.push(`port ${place.port} of ${place.panel.name}`);
  }
  if (patch) {
    commands.push({
      type: 'patchPorts',
      cords: [
        {
          panelId: place.panel.id,
          panelPort: place.port,
          switchId: seat.gear.id,
          switchPort: seat.port.number,
          fixed: false,
        },
      ],
    });
    usesUp.push(`port ${seat.port.number} of ${seat.gear.name}`);
    usesUp.push(
      best.mm === null ? 'a cord whose length cannot be told' : `a cord of ${formatLength(best.mm, job.units)}`,
    );
  }
  const watts = budgetWatts(job, run);
  if (watts > 0) usesUp.push(`${watts} W of ${seat.gear.name}`);
  const storage = wish.recorded ? storageOf(job, wish, newId) : null;
  if (storage) {
    commands.push(...storage.commands);
    notes.push(...storage.notes);
  }
  if (wish.poeW === 0) notes.push(`It needs a mains outlet in ${wish.room}: it takes no power over the cable.`);
  if (wish.network === '') notes.push('No network is chosen for it.');
  const money = draft.money + ((best.mm ?? UNKNOWN_CORD_MM) / 1000) * (patch ? metrePrice(job, run.cable) : 0);
  return {
    kind: draft.kind,
    label: run.label,
    path: [
      { part: 'Where', words: [wish.floor, wish.room, wish.outlet || run.outlet].filter(Boolean).join(', ') },
      { part: 'Device', words: wish.device },
      { part: 'Run', words: `${run.label} (${draft.cable})` },
      { part: 'Panel port', words: `${place.panel.name} · ${place.port}` },
      { part: 'Cord', words: best.mm === null ? 'length cannot be told' : formatLength(best.mm, job.units) },
      { part: 'Switch port', words: `${seat.gear.name} · ${seat.port.number}` },
      { part: 'Network', words: wish.network || 'none chosen' },
      { part: 'Power', words: watts > 0 ? `${watts} W over the cable` : 'its own supply' },
      ...(storage ? [{ part: 'Storage', words: storage.words }] : []),
    ],
    minutes: Math.round(draft.minutes),
    money,
    cost: draft.money + best.cost + (draft.minutes / 60) * hourPrice(job),
    usesUp,
    bites: [],
    dark: 'Nothing that works goes dark.',
    commands,
    notes,
  };
}

/** What its recordings take of the recorder. */
function storageOf(
  job: Job,
  wish: OneMoreWish,
  newId: (what: string) => string,
): { commands: Command[]; words: string; notes: string[] } {
  const [recorder, more] = recordersOf(job);
  if (!recorder) return { commands: [], words: 'no recorder is in the job', notes: [] };
  const streams = Object.values(job.streams).filter(({ recorderId }) => recorderId === recorder.id);
  const like = streams.find(({ mbps }) => mbps !== null) ?? streams[0];
  const record = Stream.parse({
    id: newId('stream'),
    recorderId: recorder.id,
    name: `One more: ${wish.device} ${wish.room}`.slice(0, 60),
    mbps: like?.mbps ?? null,
    percent: like?.percent ?? null,
  });
  const commands: Command[] = [{ type: 'keepRows', rows: [{ table: 'streams', record }] }];
  const [before, after] = [recorderFacts(job, recorder), recorderFacts(applyCommands(job, commands).job, recorder)];
  const days = (value: number | null) => (value === null ? 'not known' : `${value.toFixed(1)} days`);
  return {
    commands,
    words: `${recorder.name}: ${days(after.days)} in place of ${days(before.days)}`,
    notes: [
      ...(more ? [`There are ${counted(recordersOf(job).length, 'recorder')}: it is put on ${recorder.name}.`] : []),
      ...(after.state === 'too little' ? [`${recorder.name} would hold fewer days than are wanted.`] : []),
    ],
  };
}
