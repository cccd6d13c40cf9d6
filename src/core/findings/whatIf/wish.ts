import { DEVICE_WORDS } from '../../base/text/deviceWords';
import { groupBy } from '../../base/text/groupBy';
import { refuse } from '../../base/text/refusal';
import type { Job } from '../../job/document/job';
import { indexJob, sameKey } from '../../job/document/jobIndex';
import type { Run } from '../../job/records/run';
import { WISH_KINDS } from '../../job/records/wish';
import { OUTLET_RULES } from '../../trade/survey/outletRules';

/** What is wanted once more, and where. */
export type OneMoreWish = {
  device: string;
  floor: string;
  room: string;
  outlet: string;
  speedMbps: number;
  poeW: number;
  /** Name of its network; empty: none is chosen. */
  network: string;
  /** Whether its pictures are to be recorded. */
  recorded: boolean;
};

/** What can be asked for by one word, beside any device by its name. */
export const ONE_MORE = [...WISH_KINDS.filter((kind) => kind !== 'other'), 'door'] as const;

/** A door station, by common practice for its class, no source. */
const DOOR = { device: 'door station', speedMbps: 100, poeW: 12 };

/** What is usual for such a device; anything that is not known by a word takes no power over its cable. */
function usualFor(what: string): Pick<OneMoreWish, 'device' | 'speedMbps' | 'poeW'> {
  const word = what.trim().toLowerCase().replace(/\s+/g, '-');
  if (word === 'door') return DOOR;
  const kind = WISH_KINDS.find((one) => one === word && one !== 'other');
  if (!kind) return { device: what.trim(), speedMbps: 1000, poeW: 0 };
  const { devices, speedMbps, poeW } = OUTLET_RULES[kind];
  return { device: devices[0] ?? kind, speedMbps, poeW };
}

/** The network that most devices of a kind are in, else that of most runs that take as much; empty: none. */
function usualNetwork(job: Job, device: string): string {
  const counts = new Map<string, number>();
  const kind = Object.values(DEVICE_WORDS).find((words) => words.test(device));
  for (const run of Object.values(job.runs))
    if (run.networkId !== null && kind?.test(run.device))
      counts.set(run.networkId, (counts.get(run.networkId) ?? 0) + 1);
  const [most] = [...counts].sort((a, b) => b[1] - a[1] || a[0].localeCompare(b[0]));
  return job.networks[most?.[0] ?? '']?.name ?? '';
}

/**
 * A wish from a word and a room: what is usual for such a device, in the network that the others of its kind are in.
 * @throws Refusal when the job knows no such room
 */
export function wishFor(job: Job, what: string, where: string): OneMoreWish {
  const usual = usualFor(what);
  if (usual.device === '') refuse('what', `what: expected one of ${ONE_MORE.join(', ')}, or a device by its name.`);
  const rooms = roomsOf(job);
  const found = rooms.find(({ floor, room }) =>
    [room, `${floor}, ${room}`, `${floor} ${room}`].some((one) => sameKey(one) === sameKey(where)),
  );
  const place =
    found ??
    refuse(
      'where',
      `where: there is no room “${where}”. Expected one of ${rooms
        .slice(0, 30)
        .map(({ room }) => room)
        .join(', ')}${rooms.length > 30 ? ' …' : ''}.`,
    );
  return {
    ...usual,
    ...place,
    outlet: '',
    network: usualNetwork(job, usual.device),
    recorded: DEVICE_WORDS.camera?.test(usual.device) ?? false,
  };
}

export type RoomName = { floor: string; room: string };

/** Rooms that the plan or a run names, each once. */
export function roomsOf(job: Job): RoomName[] {
  const rooms = new Map<string, RoomName>();
  const add = (floor: string, room: string) => {
    const key = `${sameKey(floor)}/${sameKey(room)}`;
    if (room !== '' && !rooms.has(key)) rooms.set(key, { floor, room });
  };
  for (const { floorId, name } of Object.values(job.rooms)) add(job.floors[floorId]?.name ?? '', name);
  for (const { floor, room } of indexJob(job).runsInOrder) add(floor, room);
  return [...rooms.values()];
}

/** A label that nobody has: of the form that most labels have, counted on. */
export function nextLabel(job: Job): string {
  const { runByLabel, runsInOrder } = indexJob(job);
  const forms = groupBy(
    runsInOrder.flatMap(({ label }) => {
      const found = /^(.*?)(\d{1,9})(\D*)$/.exec(label);
      return found ? [{ head: found[1] ?? '', digits: found[2] ?? '', tail: found[3] ?? '' }] : [];
    }),
    ({ head, digits, tail }) => `${head}\u001f${digits.startsWith('0') ? digits.length : ''}\u001f${tail}`,
  );
  const [most] = [...forms.values()].sort((a, b) => b.length - a.length);
  const { head, tail } = most?.[0] ?? { head: '', tail: '' };
  const width = Math.max(1, ...(most ?? []).map(({ digits }) => (digits.startsWith('0') ? digits.length : 1)));
  const last = Math.max(0, ...(most ?? []).map(({ digits }) => Number(digits)));
  for (let count = last + 1; ; count++) {
    const label = `${head}${String(count).padStart(width, '0')}${tail}`.slice(0, 40);
    if (!runByLabel.has(sameKey(label))) return label;
  }
}

/** Runs that end in the room and have no device. */
export const sparesIn = (job: Job, { floor, room }: RoomName): Run[] =>
  indexJob(job).runsInOrder.filter(
    (run) =>
      run.scope === 'now' &&
      run.device === '' &&
      run.carries === 'ethernet' &&
      run.state !== 'failed' &&
      sameKey(run.room) === sameKey(room) &&
      (floor === '' || run.floor === '' || sameKey(run.floor) === sameKey(floor)),
  );
