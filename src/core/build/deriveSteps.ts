import { cordLengthMm } from '../cords/cordLength';
import { type Change, diffJobs } from '../job/change';
import { emptyJob, type Job, type RecordOf, type TableName } from '../job/job';
import { indexJob } from '../job/jobIndex';
import { liftOf } from '../lifting/liftPlan';
import { mainsWayMm, stockCordMm } from '../power/mainsCords';
import { carriedBy } from '../rack/space';
import { unitName } from '../rack/units';
import type { Cord } from '../records/cord';
import type { Gear } from '../records/gear';
import type { Landing } from '../records/landing';
import type { Placement } from '../records/placement';
import type { Plug } from '../records/plug';
import { portKey } from '../records/portKey';
import { portAt } from '../records/ports';
import { isNow, type Run } from '../records/run';
import type { Uplink } from '../records/uplink';
import { cutLengthMm, isToPull } from '../runs/cablePlan';
import { buildMinutes } from '../standards/buildMinutes';
import { groupBy } from '../text/groupBy';
import { formatLength } from '../units/length';
import type { BuildStep, StepKind, Turn } from './buildStep';

/** Tables of the building itself: they say how, not what. */
const OWN: ReadonlySet<TableName> = new Set(['cutovers', 'visits', 'upHours', 'ticks', 'orderPins', 'kitItems']);

export const stepId = (kind: StepKind, id: string): string => `${kind}-${id}`;

/** What stands today and what is to stand, with the differences by record. */
type Both = {
  was: Job;
  is: Job;
  /** Whether a record differs. */
  differs: (table: TableName, id: string) => boolean;
  /** Its differences, which are then those of one step. */
  changesOf: (table: TableName, id: string) => Change[];
};

/**
 * Everything that must be done to come from one version of a job to another, step by step, with what each needs done before.
 * Every difference belongs to exactly one step, so that steps played to the end give the plan, and played back what was.
 * @param today null: nothing stands yet
 */
export function deriveSteps(today: Job | null, plan: Job): BuildStep[] {
  const was = today ?? emptyJob({ id: plan.id, name: plan.name, units: plan.units, rules: plan.rules });
  const all = diffJobs(was, plan).filter(({ table }) => table === null || !OWN.has(table));
  const byRecord = new Map<string, Change[]>();
  for (const change of all) {
    const key = `${change.table ?? ''} ${change.id}`;
    byRecord.set(key, [...(byRecord.get(key) ?? []), change]);
  }
  const taken = new Set<Change>();
  const both: Both = {
    was,
    is: plan,
    differs: (table, id) => byRecord.has(`${table} ${id}`),
    changesOf: (table, id) => {
      const changes = byRecord.get(`${table} ${id}`) ?? [];
      for (const change of changes) taken.add(change);
      return changes;
    },
  };
  const steps = [
    ...rackSteps(both),
    ...circuitSteps(both),
    ...gearSteps(both),
    ...runSteps(both),
    ...landSteps(both),
    ...linkSteps(both),
    ...plugSteps(both),
    ...cordSteps(both),
  ];
  const left = all.filter((change) => !taken.has(change));
  const records: BuildStep[] =
    left.length === 0
      ? []
      : [
          plain({
            id: 'records-all',
            kind: 'records',
            turn: 'in',
            words: 'Take over what else is known anew: names, settings, answers',
            at: 'desk',
            changes: left,
          }),
        ];
  return withNeeds([...records, ...steps], both);
}

const plain = (fields: Partial<BuildStep> & Pick<BuildStep, 'id' | 'kind' | 'turn' | 'words'>): BuildStep => {
  const { take, put } = minutesFor(fields.kind);
  return {
    at: 'cabinet',
    place: '',
    from: '',
    to: '',
    parts: [],
    tools: [],
    takeMin: fields.turn === 'in' ? 0 : take,
    putMin: fields.turn === 'out' ? 0 : put,
    pace: fields.kind,
    who: 'one',
    gearId: null,
    runId: null,
    cordId: null,
    photograph: false,
    changes: [],
    clearOf: [],
    takeNeeds: [],
    putNeeds: [],
    blockedBy: [],
    canPark: false,
    ...fields,
  };
};

function minutesFor(kind: StepKind): { take: number; put: number } {
  return kind === 'land' ? buildMinutes.land : buildMinutes[kind];
}

/** Ids of a table that differ, with how. */
function turns<T extends TableName>(
  { was, is, differs }: Both,
  table: T,
): { id: string; turn: Turn; old: RecordOf<T> | null; then: RecordOf<T> | null }[] {
  const before = was[table] as Record<string, RecordOf<T>>;
  const after = is[table] as Record<string, RecordOf<T>>;
  return [...new Set([...Object.keys(before), ...Object.keys(after)])].flatMap((id) => {
    const old: RecordOf<T> | null = before[id] ?? null;
    const then: RecordOf<T> | null = after[id] ?? null;
    if (!differs(table, id)) return [];
    return [
      { id, turn: old === null ? ('in' as const) : then === null ? ('out' as const) : ('move' as const), old, then },
    ];
  });
}

function rackSteps(both: Both): BuildStep[] {
  return turns(both, 'racks').flatMap(({ id, turn, old, then }) => {
    // A rack of which only figures changed stays where it is.
    if (turn === 'move') return [];
    const name = (then ?? old)?.name ?? '';
    const kind = turn === 'in' ? ('rack-in' as const) : ('rack-out' as const);
    const hangs = then?.standing === 'wall';
    return [
      plain({
        id: stepId(kind, id),
        kind,
        turn,
        words: turn === 'in' ? `${hangs ? 'Hang' : 'Set up'} ${name}` : `Take down ${name}`,
        place: name,
        who: 'two',
        tools: turn === 'in' ? ['drill', 'spirit level', 'ladder'] : ['screwdriver'],
        changes: [
          ...both.changesOf('racks', id),
          ...turns(both, 'mounts').flatMap((mount) =>
            (mount.then ?? mount.old)?.rackId === id ? both.changesOf('mounts', mount.id) : [],
          ),
        ],
      }),
    ];
  });
}

function circuitSteps(both: Both): BuildStep[] {
  const circuits = turns(both, 'circuits').map(({ id, turn, old, then }) =>
    plain({
      id: stepId('circuit', id),
      kind: 'circuit',
      turn,
      words: `${turn === 'in' ? 'New circuit' : turn === 'out' ? 'Take out circuit' : 'Change circuit'} ${(then ?? old)?.name ?? ''}: licensed electrician, by local code`,
      who: 'electrician',
      changes: both.changesOf('circuits', id),
    }),
  );
  const outlets = turns(both, 'wallOutlets').map(({ id, turn, old, then }) =>
    plain({
      id: stepId('circuit', id),
      kind: 'circuit',
      turn,
      words: `${turn === 'in' ? 'New outlet' : turn === 'out' ? 'Take out outlet' : 'Change outlet'} ${(then ?? old)?.name ?? ''}: licensed electrician, by local code`,
      who: 'electrician',
      changes: both.changesOf('wallOutlets', id),
    }),
  );
  return [...circuits, ...outlets];
}

const placeWords = (job: Job, gearId: string): string => {
  const { placementOfGear, carrierOfGear } = indexJob(job);
  const placement = placementOfGear.get(gearId);
  const rack = job.racks[placement?.rackId ?? ''];
  if (placement && rack) return `${rack.name} ${unitName(rack, placement.bottomU, job.gear[gearId]?.heightU ?? 1)}`;
  const carrier = job.gear[carrierOfGear.get(gearId) ?? ''];
  return carrier ? `on ${carrier.name}` : '';
};

function gearSteps(both: Both): BuildStep[] {
  const { was, is } = both;
  const stands = [
    ...turns(both, 'placements').map((row) => ({ ...row, table: 'placements' as const })),
    ...turns(both, 'shelvings').map((row) => ({ ...row, table: 'shelvings' as const })),
  ];
  const byGear = groupBy(stands, ({ old, then }) => (then ?? old)?.gearId ?? '');
  const ids = new Set([
    ...turns(both, 'gear').flatMap(({ id, turn }) => (turn === 'move' ? [] : [id])),
    ...byGear.keys(),
  ]);
  return [...ids].flatMap((id): BuildStep[] => {
    const gear = is.gear[id] ?? was.gear[id];
    if (!gear) return [];
    const [from, to] = [placeWords(was, id), placeWords(is, id)];
    const stood = was.gear[id] !== undefined && (from !== '' || is.gear[id] === undefined);
    const stays = is.gear[id] !== undefined && (to !== '' || was.gear[id] === undefined);
    const turn: Turn = stood && stays ? 'move' : stays ? 'in' : 'out';
    const changes = [
      ...(was.gear[id] && is.gear[id] ? [] : both.changesOf('gear', id)),
      ...(byGear.get(id) ?? []).flatMap((row) => both.changesOf(row.table, row.id)),
    ];
    // Only pinned, or numbered anew: nothing is carried.
    if (turn === 'move' && samePlace(was, is, id)) return [{ ...recordsOnly(id, changes) }];
    const cords = Object.values(was.cords).filter((cord) => cord.switchId === id || cord.panelId === id).length;
    const more = (gear.heightU - 1) * buildMinutes.unitMore.take;
    const takeMin = turn === 'in' ? 0 : buildMinutes.gear.take + more + cords * buildMinutes.replug.take;
    const kept = turn === 'move' ? cords * buildMinutes.replug.put : 0;
    const putMin = turn === 'out' ? 0 : buildMinutes.gear.put + (gear.heightU - 1) * buildMinutes.unitMore.put + kept;
    const words =
      turn === 'in' ? `Put in ${gear.name}` : turn === 'out' ? `Take out ${gear.name}` : `Move ${gear.name}`;
    return [
      plain({
        id: stepId('gear', id),
        kind: 'gear',
        turn,
        words,
        place: to || from,
        from,
        to,
        who: liftedByTwo(is, was, gear) ? 'two' : 'one',
        gearId: id,
        takeMin,
        putMin,
        pace: `gear ${gear.kind}`,
        parts: turn === 'in' ? [gear.name] : [],
        tools: ['screwdriver'],
        photograph: turn !== 'in',
        canPark: turn === 'move' && carriedBy(was, id).length === 0,
        changes,
      }),
    ];
  });
}

const recordsOnly = (id: string, changes: readonly Change[]): BuildStep =>
  plain({ id: stepId('records', id), kind: 'records', turn: 'in', words: 'Note what was pinned', at: 'desk', changes });

function samePlace(was: Job, is: Job, gearId: string): boolean {
  const [a, b] = [was, is].map((job) => indexJob(job).placementOfGear.get(gearId));
  const [carrierA, carrierB] = [was, is].map((job) => indexJob(job).carrierOfGear.get(gearId));
  return carrierA === carrierB && a?.rackId === b?.rackId && a?.bottomU === b?.bottomU && a?.face === b?.face;
}

function liftedByTwo(is: Job, was: Job, gear: Gear): boolean {
  const job = is.gear[gear.id] ? is : was;
  const placement = indexJob(job).placementOfGear.get(gear.id);
  const rack = job.racks[placement?.rackId ?? ''];
  if (!placement || !rack) return false;
  // Whoever is to come is not known: the lower filter counts.
  const lift = liftOf(rack, gear, placement.bottomU, 'women');
  return (lift.people ?? 1) > 1 || lift.support;
}

function runSteps(both: Both): BuildStep[] {
  const { was, is } = both;
  const index = indexJob(is);
  // What is ticked says so of its run; its step stays, for the minutes that it took.
  const ticked = new Set(Object.values(is.ticks).map(({ step }) => step));
  const pulled = index.runsInOrder.filter((run) => isToPull(run) || ticked.has(stepId('pull', run.id)));
  const ended = index.runsInOrder.filter(
    (run) => isToPull(run) || ['pull', 'outlet'].some((kind) => ticked.has(`${kind}-${run.id}`)),
  );
  const pulls = pulled.map((run) => {
    const cut = cutLengthMm(is, run);
    return plain({
      id: stepId('pull', run.id),
      kind: 'pull',
      turn: 'in',
      words: `Pull run ${run.label} and label both ends`,
      at: 'room',
      place: roomOf(run),
      runId: run.id,
      parts: [
        `${cut === null ? 'cable, length not known' : formatLength(cut, is.units)} ${run.cable || 'cable of unknown kind'}`,
      ],
      tools: ['fish tape', 'label printer'],
      changes: was.runs[run.id] ? [] : both.changesOf('runs', run.id),
    });
  });
  const outlets = ended.map((run) =>
    plain({
      id: stepId('outlet', run.id),
      kind: 'outlet',
      turn: 'in',
      words: `End run ${run.label} at its outlet`,
      at: 'room',
      place: roomOf(run),
      runId: run.id,
      parts: ['jack for the outlet'],
      tools: ['punch-down tool'],
    }),
  );
  const tests = index.runsInOrder
    .filter(
      (run) =>
        isNow(run) && index.landingOfRun.has(run.id) && (run.state !== 'tested' || ticked.has(stepId('test', run.id))),
    )
    .map((run) =>
      plain({
        id: stepId('test', run.id),
        kind: 'test',
        turn: 'in',
        words: `Test run ${run.label} from both ends`,
        place: roomOf(run),
        runId: run.id,
        tools: ['cable tester'],
      }),
    );
  return [...pulls, ...outlets, ...tests];
}

const roomOf = (run: Run): string => [run.floor, run.room, run.outlet].filter(Boolean).join(', ');

function landSteps(both: Both): BuildStep[] {
  const { was, is } = both;
  // Landed again is landed elsewhere, whatever its row is called.
  const byRun = groupBy(turns(both, 'landings'), ({ old, then }) => (then ?? old)?.runId ?? '');
  const runIds = byRun.keys();
  const [before, after] = [indexJob(was).landingOfRun, indexJob(is).landingOfRun];
  return [...runIds].flatMap((runId): BuildStep[] => {
    const [old, then] = [before.get(runId), after.get(runId)];
    const run = is.runs[runId] ?? was.runs[runId];
    const changes = (byRun.get(runId) ?? []).flatMap((row) => both.changesOf('landings', row.id));
    const turn: Turn = old && then ? 'move' : then ? 'in' : 'out';
    const same = old && then && old.panelId === then.panelId && old.port === then.port;
    if (same) return [{ ...recordsOnly(runId, changes), id: stepId('records', `land-${runId}`) }];
    const at = (job: Job, landing: Landing | undefined) =>
      landing ? `${job.gear[landing.panelId]?.name ?? ''} port ${landing.port}` : '';
    const panel = is.gear[then?.panelId ?? ''];
    const port = panel && then ? portAt(panel, then.port) : null;
    const oldPanel = was.gear[old?.panelId ?? ''];
    const eased =
      old && oldPanel && portAt(oldPanel, old.port)?.connector === 'keystone' && port?.connector === 'keystone';
    const minutes = eased && turn === 'move' ? buildMinutes.relandKeystone : buildMinutes.land;
    return [
      plain({
        id: stepId('land', runId),
        kind: 'land',
        turn,
        words:
          turn === 'in'
            ? `Land run ${run?.label ?? ''}`
            : turn === 'out'
              ? `Take run ${run?.label ?? ''} off its panel`
              : `Land run ${run?.label ?? ''} anew`,
        place: at(is, then) || at(was, old),
        from: at(was, old),
        to: at(is, then),
        runId,
        gearId: then?.panelId ?? old?.panelId ?? null,
        takeMin: turn === 'in' ? 0 : minutes.take,
        putMin: turn === 'out' ? 0 : minutes.put,
        pace: `land ${port?.connector ?? ''} ${turn}`,
        parts: turn !== 'out' && port?.connector === 'keystone' && !eased ? ['keystone jack'] : [],
        tools: ['punch-down tool', 'stripper'],
        photograph: turn !== 'in',
        canPark: turn === 'move',
        ...(old && then && old.panelId !== then.panelId ? { together: `land ${old.panelId} ${then.panelId}` } : {}),
        changes,
      }),
    ];
  });
}

function linkSteps(both: Both): BuildStep[] {
  const ends = (job: Job, { fromId, fromPort, toId, toPort }: Uplink) =>
    `${job.gear[fromId]?.name ?? ''} port ${fromPort} – ${job.gear[toId]?.name ?? ''} port ${toPort}`;
  return turns(both, 'uplinks').flatMap(({ id, turn, old, then }) => {
    const changes = both.changesOf('uplinks', id);
    if (turn === 'move' && old && then && endsAlike(old, then)) return [recordsOnly(id, changes)];
    const from = old ? ends(both.was, old) : '';
    const to = then ? ends(both.is, then) : '';
    return [
      plain({
        id: stepId('link', id),
        kind: 'link',
        turn,
        words: `${turn === 'in' ? 'Plug in' : turn === 'out' ? 'Take out' : 'Move'} the uplink ${to || from}`,
        place: to || from,
        from,
        to,
        parts: turn === 'in' ? ['uplink cord'] : [],
        photograph: turn !== 'in',
        canPark: turn === 'move',
        changes,
      }),
    ];
  });
}
const endsAlike = (a: Uplink, b: Uplink): boolean =>
  a.fromId === b.fromId && a.fromPort === b.fromPort && a.toId === b.toId && a.toPort === b.toPort;

function plugSteps(both: Both): BuildStep[] {
  const feedWords = (job: Job, { feedId, wallId, outlet }: Plug) =>
    `${(feedId === null ? job.wallOutlets[wallId ?? '']?.name : job.gear[feedId]?.name) ?? ''} outlet ${outlet}`;
  return turns(both, 'plugs').flatMap(({ id, turn, old, then }) => {
    const changes = both.changesOf('plugs', id);
    const same =
      old &&
      then &&
      old.feedId === then.feedId &&
      old.wallId === then.wallId &&
      old.outlet === then.outlet &&
      old.gearId === then.gearId;
    if (same) return [recordsOnly(id, changes)];
    const gear = both.is.gear[then?.gearId ?? ''] ?? both.was.gear[old?.gearId ?? ''];
    const from = old ? feedWords(both.was, old) : '';
    const to = then ? feedWords(both.is, then) : '';
    const feed = both.is.gear[then?.feedId ?? ''];
    const way = gear && then && feed ? mainsWayMm(both.is, gear, { gear: feed, outlet: then.outlet }) : null;
    return [
      plain({
        id: stepId('plug', id),
        kind: 'plug',
        turn,
        words: `${turn === 'in' ? 'Plug in' : turn === 'out' ? 'Unplug' : 'Plug elsewhere:'} the mains of ${gear?.name ?? ''}`,
        place: to || from,
        from,
        to,
        gearId: gear?.id ?? null,
        parts: turn === 'in' && way !== null ? [`mains cord ${formatLength(stockCordMm(way), both.is.units)}`] : [],
        photograph: turn !== 'in',
        canPark: turn === 'move',
        changes,
      }),
    ];
  });
}

function cordSteps(both: Both): BuildStep[] {
  const { was, is } = both;
  const ends = (job: Job, cord: Cord) =>
    `${job.gear[cord.panelId]?.name ?? ''} ${cord.panelPort} – ${job.gear[cord.switchId]?.name ?? ''} ${cord.switchPort}`;
  const runAt = (job: Job, cord: Cord) =>
    indexJob(job).landingAtPort.get(portKey(cord.panelId, cord.panelPort))?.runId ?? null;
  return turns(both, 'cords').flatMap(({ id, turn, old, then }) => {
    const changes = both.changesOf('cords', id);
    if (old && isAlike(old, then ?? undefined)) return [recordsOnly(id, changes)];
    const from = old ? ends(was, old) : '';
    const to = then ? ends(is, then) : '';
    const length = then ? cordLengthMm(is, then) : null;
    return [
      plain({
        id: stepId('cord', id),
        kind: 'cord',
        turn,
        words: `${turn === 'in' ? 'Patch' : turn === 'out' ? 'Unplug' : 'Patch anew:'} ${to || from}`,
        place: to || from,
        from,
        to,
        cordId: id,
        runId: then ? runAt(is, then) : old ? runAt(was, old) : null,
        gearId: then?.switchId ?? old?.switchId ?? null,
        parts:
          turn === 'in' ? [length === null ? 'cord, length not known' : `cord ${formatLength(length, is.units)}`] : [],
        photograph: turn !== 'in',
        canPark: turn === 'move',
        ...(old && then && old.panelId !== then.panelId
          ? { together: `cord ${old.panelId} ${then.panelId} ${old.switchId} ${then.switchId}` }
          : {}),
        changes,
      }),
    ];
  });
}

/** Whether a cord is in the same two ports. */
const isAlike = (a: Cord, b: Cord | undefined): boolean =>
  b !== undefined &&
  a.panelId === b.panelId &&
  a.panelPort === b.panelPort &&
  a.switchId === b.switchId &&
  a.switchPort === b.switchPort;

/** What stands in a step's way, and what must be done before it. */
function withNeeds(steps: readonly BuildStep[], { was, is }: Both): BuildStep[] {
  const ids = new Set(steps.map(({ id }) => id));
  const kept = (wanted: readonly string[], own: string) =>
    [...new Set(wanted)].filter((id) => id !== own && ids.has(id));
  const byOldPort = portHolders(was);
  const clashes = placeClashes(was, is, ids);
  const oldLandings = indexJob(was).landingOfRun;
  const newLandings = indexJob(is).landingOfRun;
  const of = (kind: StepKind, id: string | null | undefined) => (id ? [stepId(kind, id)] : []);
  return steps.map((step): BuildStep => {
    const clearOf: string[] = [];
    const putNeeds: string[] = [];
    const blockedBy: string[] = [];
    switch (step.kind) {
      case 'rack-out':
        for (const { gearId, rackId } of Object.values(was.placements))
          if (stepId('rack-out', rackId) === step.id) clearOf.push(...of('gear', gearId));
        break;
      case 'gear': {
        const id = step.gearId ?? '';
        const place = indexJob(is).placementOfGear.get(id);
        putNeeds.push(...of('rack-in', place?.rackId), ...of('gear', indexJob(is).carrierOfGear.get(id)));
        blockedBy.push(...(clashes.get(id) ?? []));
        if (step.turn === 'out') {
          // Nothing hangs on it any more.
          for (const cord of Object.values(was.cords))
            if (cord.switchId === id || cord.panelId === id) clearOf.push(...of('cord', cord.id));
          for (const link of Object.values(was.uplinks))
            if (link.fromId === id || link.toId === id) clearOf.push(...of('link', link.id));
          for (const plug of Object.values(was.plugs))
            if (plug.feedId === id || plug.gearId === id) clearOf.push(...of('plug', plug.id));
          for (const landing of Object.values(was.landings))
            if (landing.panelId === id) clearOf.push(...of('land', landing.runId));
          for (const carried of carriedBy(was, id)) clearOf.push(...of('gear', carried.id));
        }
        break;
      }
      case 'land': {
        const [old, then] = [oldLandings.get(step.runId ?? ''), newLandings.get(step.runId ?? '')];
        if (then) {
          putNeeds.push(...of('gear', then.panelId), ...of('pull', step.runId));
          const holder = byOldPort.landing.get(portKey(then.panelId, then.port));
          if (holder && holder !== step.runId) blockedBy.push(...of('land', holder));
        }
        if (old) clearOf.push(...cordsAtLanding(was, is, old).flatMap((id) => of('cord', id)));
        break;
      }
      case 'outlet':
        putNeeds.push(...of('pull', step.runId));
        break;
      case 'test':
        putNeeds.push(...of('land', step.runId), ...of('outlet', step.runId), ...of('pull', step.runId));
        break;
      case 'link': {
        const then = is.uplinks[step.id.slice('link-'.length)];
        if (then && step.turn !== 'out') {
          putNeeds.push(...of('gear', then.fromId), ...of('gear', then.toId));
          for (const key of [portKey(then.fromId, then.fromPort), portKey(then.toId, then.toPort)])
            blockedBy.push(...(byOldPort.link.get(key) ?? []));
        }
        break;
      }
      case 'plug': {
        const then = is.plugs[step.id.slice('plug-'.length)];
        if (then && step.turn !== 'out') {
          putNeeds.push(...of('gear', then.gearId), ...of('gear', then.feedId), ...of('circuit', then.wallId));
          blockedBy.push(...(byOldPort.plug.get(portKey(then.feedId ?? then.wallId ?? '', then.outlet)) ?? []));
        }
        break;
      }
      case 'cord': {
        const then = is.cords[step.cordId ?? ''];
        if (then && step.turn !== 'out') {
          putNeeds.push(...of('gear', then.panelId), ...of('gear', then.switchId), ...of('land', step.runId));
          for (const key of [portKey(then.panelId, then.panelPort), portKey(then.switchId, then.switchPort)])
            blockedBy.push(...(byOldPort.link.get(key) ?? []));
        }
        break;
      }
      default:
    }
    return {
      ...step,
      clearOf: kept(clearOf, step.id),
      putNeeds: kept(putNeeds, step.id),
      blockedBy: kept(blockedBy, step.id),
    };
  });
}

/** Which steps hold a port or an outlet today. */
function portHolders(was: Job) {
  const link = new Map<string, string[]>();
  const hold = (map: Map<string, string[]>, key: string, id: string) => map.set(key, [...(map.get(key) ?? []), id]);
  for (const cord of Object.values(was.cords)) {
    hold(link, portKey(cord.panelId, cord.panelPort), stepId('cord', cord.id));
    hold(link, portKey(cord.switchId, cord.switchPort), stepId('cord', cord.id));
  }
  for (const one of Object.values(was.uplinks)) {
    hold(link, portKey(one.fromId, one.fromPort), stepId('link', one.id));
    hold(link, portKey(one.toId, one.toPort), stepId('link', one.id));
  }
  const plug = new Map<string, string[]>();
  for (const one of Object.values(was.plugs))
    hold(plug, portKey(one.feedId ?? one.wallId ?? '', one.outlet), stepId('plug', one.id));
  const landing = new Map(Object.values(was.landings).map((one) => [portKey(one.panelId, one.port), one.runId]));
  return { link, plug, landing };
}

/** Cords that hang at a landing today and go elsewhere. */
const cordsAtLanding = (was: Job, is: Job, { panelId, port }: Landing): string[] =>
  Object.values(was.cords).flatMap((cord) =>
    cord.panelId === panelId && cord.panelPort === port && !isAlike(cord, is.cords[cord.id]) ? [cord.id] : [],
  );

/** Steps of devices that stand today where another is to stand. */
function placeClashes(was: Job, is: Job, ids: ReadonlySet<string>): Map<string, string[]> {
  const clashes = new Map<string, string[]>();
  const span = (job: Job, place: Placement) =>
    [place.bottomU, place.bottomU + (job.gear[place.gearId]?.heightU ?? 1) - 1] as const;
  for (const then of Object.values(is.placements)) {
    const [low, high] = span(is, then);
    const there = Object.values(was.placements).flatMap((old) => {
      const [bottom, top] = span(was, old);
      const meets = old.rackId === then.rackId && old.face === then.face && bottom <= high && low <= top;
      return meets && old.gearId !== then.gearId && ids.has(stepId('gear', old.gearId))
        ? [stepId('gear', old.gearId)]
        : [];
    });
    if (there.length > 0) clashes.set(then.gearId, there);
  }
  return clashes;
}
