import { groupBy } from '../../../base/text/groupBy';
import { naturalOrder } from '../../../base/text/naturalOrder';
import { sameKey } from '../../../base/text/sameKey';
import type { Command } from '../../../job/commands/commands';
import type { Job } from '../../../job/document/job';
import { roomKey, siteOf } from './site';

/** A room that runs name and the plan does not have yet. */
export type NamedRoom = { floor: string; room: string; runs: number };

/** Rooms that runs name and the plan does not have, floor by floor. */
export function namedRooms(job: Job): NamedRoom[] {
  const { floorByName, roomByName } = siteOf(job);
  const missing = Object.values(job.runs).filter(({ floor, room }) => {
    if (room === '') return false;
    const known = floorByName.get(sameKey(floor));
    return !known || !roomByName.has(roomKey(known.id, room));
  });
  return [...groupBy(missing, ({ floor, room }) => `${sameKey(floor)}:${sameKey(room)}`).values()]
    .flatMap((runs) => {
      const [first] = runs;
      return first ? [{ floor: first.floor, room: first.room, runs: runs.length }] : [];
    })
    .sort((a, b) => naturalOrder(a.floor, b.floor) || naturalOrder(a.room, b.room));
}

/** What a room is drawn as until it is measured, and a floor until it is. Common practice, no source. */
const ROOM_MM = { widthMm: 4000, depthMm: 3000 };
const FLOOR = { heightMm: 2700, slabMm: 300, route: 'overhead' as const };
/** What a floor is called where runs name none and the plan does not have just one. */
const UNNAMED = 'Ground';

/** What the words of a floor say of its level; null where they say nothing. */
function levelOf(name: string): number | null {
  const number = /^-?\d+/.exec(name.trim())?.[0];
  if (/base|cellar|keller|untergeschoss|\bug\b|sous-sol|s[oó]tano|kelder/i.test(name)) return -1;
  if (/ground|erdgeschoss|\beg\b|rez-de|planta baja|begane/i.test(name)) return 0;
  if (/roof|attic|loft|dach|grenier|[aá]tico|zolder/i.test(name)) return 9;
  if (/^first|^erster/i.test(name)) return 1;
  if (/^second|^zweiter/i.test(name)) return 2;
  return number === undefined ? null : Number(number);
}

/**
 * The commands that draw rooms in a row along each floor, to be measured and moved later. Runs that name no floor get the
 * one on which their room is drawn.
 */
export function drawRooms(job: Job, rooms: readonly NamedRoom[], newId: (of: string) => string): Command[] {
  const { floorByName, floorsInOrder, roomsOfFloor } = siteOf(job);
  const levels = new Set(floorsInOrder.map((floor) => floor.level));
  const rows: Extract<Command, { type: 'keepRows' }>['rows'] = [];
  const only = floorsInOrder.length === 1 ? floorsInOrder[0]?.name : undefined;
  const floorOf = (floor: string) => floor || (only ?? UNNAMED);
  for (const some of groupBy(rooms, ({ floor }) => sameKey(floorOf(floor))).values()) {
    const name = floorOf(some[0]?.floor ?? '');
    const known = floorByName.get(sameKey(name));
    let floorId = known?.id;
    if (!floorId) {
      let level = levelOf(name) ?? 0;
      while (levels.has(level)) level += 1;
      levels.add(level);
      floorId = newId('floor');
      rows.push({ table: 'floors', record: { id: floorId, name, level, ...FLOOR } });
    }
    let xMm = (roomsOfFloor.get(floorId) ?? []).reduce((most, room) => Math.max(most, room.xMm + room.widthMm), 0);
    const names = new Set((roomsOfFloor.get(floorId) ?? []).map((room) => sameKey(room.name)));
    for (const { room } of some) {
      if (names.has(sameKey(room))) continue;
      names.add(sameKey(room));
      rows.push({
        table: 'rooms',
        record: { id: newId('room'), floorId, name: room, xMm, yMm: 0, ...ROOM_MM, code: '' },
      });
      xMm += ROOM_MM.widthMm;
    }
  }
  const drawn = new Set(rooms.filter(({ floor }) => floor === '').map(({ room }) => sameKey(room)));
  const edits = Object.values(job.runs)
    .filter((run) => run.floor === '' && drawn.has(sameKey(run.room)))
    .map((run) => ({ runId: run.id, changes: { floor: floorOf('') } }));
  return [
    ...(rows.length > 0 ? [{ type: 'keepRows' as const, rows }] : []),
    ...(edits.length > 0 ? [{ type: 'editRuns' as const, edits }] : []),
  ];
}
