import type { Job } from '../job/job';
import { indexJob } from '../job/jobIndex';
import type { StationId } from '../job/stationIds';
import { portKey } from '../records/portKey';
import { isPanel, isSwitching, portsOf } from '../records/ports';

/** Something that can be found and traced: a run by label or device, a room, a port, a device in the rack. */
export type Findable = {
  kind: 'run' | 'room' | 'panel port' | 'switch port' | 'device in the rack';
  /** Unique within the list. */
  key: string;
  words: string;
  detail: string;
  /** Text that a query is held against, lower case. */
  text: string;
  runIds: string[];
  gearId: string | null;
  /** Where it is shown when there is no run to trace. */
  station: StationId;
};

const cache = new WeakMap<Job, Findable[]>();

/** Everything findable in a job: runs first, then rooms, devices and ports. */
export function findables(job: Job): Findable[] {
  const known = cache.get(job);
  if (known) return known;
  const index = indexJob(job);
  const list: Findable[] = [];
  const add = (entry: Omit<Findable, 'text'>) =>
    list.push({ ...entry, text: `${entry.words} ${entry.detail}`.toLocaleLowerCase('en') });

  const rooms = new Map<string, string[]>();
  for (const run of index.runsInOrder) {
    const detail = [run.floor, run.room, run.outlet, run.device].filter(Boolean).join(' · ');
    add({
      kind: 'run',
      key: `run ${run.id}`,
      words: run.label,
      detail,
      runIds: [run.id],
      gearId: null,
      station: 'runs',
    });
    const room = [run.floor, run.room].filter(Boolean).join(', ');
    if (room) rooms.set(room, [...(rooms.get(room) ?? []), run.id]);
  }
  for (const [room, runIds] of rooms) {
    add({
      kind: 'room',
      key: `room ${room}`,
      words: room,
      detail: `${runIds.length} runs`,
      runIds,
      gearId: null,
      station: 'runs',
    });
  }
  for (const gear of index.gearInOrder) {
    const runIds: string[] = [];
    for (const landing of index.landingOfRun.values()) {
      if (landing.panelId === gear.id) runIds.push(landing.runId);
    }
    add({
      kind: 'device in the rack',
      key: `gear ${gear.id}`,
      words: gear.name,
      detail: gear.kind,
      runIds,
      gearId: gear.id,
      station: 'stack',
    });
  }
  for (const gear of index.gearInOrder) {
    if (!isPanel(gear) && !isSwitching(gear)) continue;
    const [kind, station] = isPanel(gear) ? (['panel port', 'land'] as const) : (['switch port', 'patch'] as const);
    for (const { number } of portsOf(gear)) {
      const key = portKey(gear.id, number);
      const cord = index.cordAtSwitchPort.get(key);
      const landing = index.landingAtPort.get(cord ? portKey(cord.panelId, cord.panelPort) : key);
      const run = landing && job.runs[landing.runId];
      const runIds = run ? [run.id] : [];
      const detail = run ? run.label : 'free';
      add({ kind, key: `port ${key}`, words: `${gear.name} ${number}`, detail, runIds, gearId: gear.id, station });
    }
  }
  cache.set(job, list);
  return list;
}

/** Findables that hold every word of the query; labels that match exactly, then those that begin with it, come first. */
export function find(job: Job, query: string, most = 40): Findable[] {
  const words = query.toLocaleLowerCase('en').split(/\s+/).filter(Boolean);
  if (words.length === 0) return [];
  const whole = words.join(' ');
  const rank = ({ words: title }: Findable) => {
    const text = title.toLocaleLowerCase('en');
    return text === whole ? 0 : text.startsWith(whole) ? 1 : 2;
  };
  return findables(job)
    .filter(({ text }) => words.every((word) => text.includes(word)))
    .map((entry, at) => ({ entry, at, rank: rank(entry) }))
    .sort((a, b) => a.rank - b.rank || a.at - b.at)
    .slice(0, most)
    .map(({ entry }) => entry);
}
