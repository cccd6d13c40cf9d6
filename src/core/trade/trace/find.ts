import { always, kept } from '../../base/memo/kept';
import { counted } from '../../base/text/counted';
import type { Job } from '../../job/document/job';
import { indexJob } from '../../job/document/jobIndex';
import { gearShortNames, shortPort } from '../../job/gear/shortNames';
import { takesUnits } from '../../job/rack/space';
import { shownUnit } from '../../job/rack/units';
import { portKey } from '../../job/records/portKey';
import { isPanel, isSwitching, portsOf } from '../../job/records/ports';
import type { StationId } from '../../job/records/stationIds';

/** Something that can be found and traced: a run by label or device, a room, a port, a device in the rack. */
export type Findable = {
  kind: 'run' | 'room' | 'network' | 'unit' | 'panel port' | 'switch port' | 'device in the rack';
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

/** Everything findable in a job: runs first, then rooms, devices and ports. */
export const findables: (job: Job) => Findable[] = kept(listFindables, always);

function listFindables(job: Job): Findable[] {
  const index = indexJob(job);
  const list: Findable[] = [];
  /** @param also other words that it is looked for by */
  const add = (entry: Omit<Findable, 'text'>, also = '') =>
    list.push({ ...entry, text: `${entry.words} ${entry.detail} ${also}`.toLowerCase() });

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
      detail: [gearShortNames(job).get(gear.id), gear.kind].join(' · '),
      runIds,
      gearId: gear.id,
      station: 'stack',
    });
    const place = index.placementOfGear.get(gear.id);
    const rack = place && takesUnits(place) ? job.racks[place.rackId] : undefined;
    for (let at = 0; place && rack && at < gear.heightU; at++)
      add({
        kind: 'unit',
        key: `unit ${gear.id} ${at}`,
        words: `U${shownUnit(rack, place.bottomU + at)}`,
        detail: `${gear.name}, ${rack.name}`,
        runIds,
        gearId: gear.id,
        station: 'stack',
      });
  }
  for (const network of Object.values(job.networks)) {
    const runIds = index.runsInOrder.filter((run) => run.networkId === network.id).map((run) => run.id);
    add({
      kind: 'network',
      key: `network ${network.id}`,
      words: network.name,
      detail: `${network.colour}, ${counted(runIds.length, 'run')}`,
      runIds,
      gearId: null,
      station: 'runs',
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
      const words = `${gear.name} ${number}`;
      const also = `${kind} ${number} ${shortPort(job, gear.id, number)}`;
      add({ kind, key: `port ${key}`, words, detail, runIds, gearId: gear.id, station }, also);
    }
  }
  return list;
}

/** Findables that hold every word of the query; labels that match exactly, then those that begin with it, come first. */
export function find(job: Job, query: string, most = 40): Findable[] {
  const words = query.toLowerCase().split(/\s+/).filter(Boolean);
  if (words.length === 0) return [];
  const whole = words.join(' ');
  const rank = ({ words: title }: Findable) => {
    const text = title.toLowerCase();
    return text === whole ? 0 : text.startsWith(whole) ? 1 : 2;
  };
  return findables(job)
    .filter(({ text }) => words.every((word) => text.includes(word)))
    .map((entry, at) => ({ entry, at, rank: rank(entry) }))
    .sort((a, b) => a.rank - b.rank || a.at - b.at)
    .slice(0, most)
    .map(({ entry }) => entry);
}
