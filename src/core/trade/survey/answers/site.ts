import { always, keptWhile } from '../../../base/memo/kept';
import { naturalOrder } from '../../../base/text/naturalOrder';
import { sameKey } from '../../../base/text/sameKey';
import type { Job } from '../../../job/document/job';
import type { Floor } from '../../../job/records/floor';
import type { Place } from '../../../job/records/place';
import type { Room } from '../../../job/records/room';

/** Look-ups over the plan of the site. */
export type Site = {
  floorsInOrder: Floor[];
  floorByName: Map<string, Floor>;
  /** By floor id and name of the room. */
  roomByName: Map<string, Room>;
  roomsOfFloor: Map<string, Room[]>;
  places: Place[];
  /** Height of each floor above level 0, mm. */
  zOfFloor: Map<string, number>;
};

export const roomKey = (floorId: string, room: string): string => `${floorId}:${sameKey(room)}`;

/** Floors, rooms and places by what runs call them. */
export const siteOf: (job: Job) => Site = keptWhile(
  ({ rooms, floors, places }: Job) => [rooms, floors, places],
  buildSite,
  always,
);

function buildSite(job: Job): Site {
  const floorsInOrder = Object.values(job.floors).sort((a, b) => a.level - b.level || naturalOrder(a.name, b.name));
  const rooms = Object.values(job.rooms).sort((a, b) => naturalOrder(a.name, b.name));
  const zOfFloor = new Map<string, number>();
  const pitch = (floor: Floor) => floor.heightMm + floor.slabMm;
  let up = 0;
  for (const floor of floorsInOrder.filter((one) => one.level >= 0)) {
    zOfFloor.set(floor.id, up);
    up += pitch(floor);
  }
  let down = 0;
  for (const floor of floorsInOrder.filter((one) => one.level < 0).reverse()) {
    down -= pitch(floor);
    zOfFloor.set(floor.id, down);
  }
  return {
    floorsInOrder,
    floorByName: new Map(floorsInOrder.map((floor) => [sameKey(floor.name), floor])),
    roomByName: new Map(rooms.map((room) => [roomKey(room.floorId, room.name), room])),
    roomsOfFloor: new Map(floorsInOrder.map((floor) => [floor.id, rooms.filter((room) => room.floorId === floor.id)])),
    places: Object.values(job.places).sort((a, b) => naturalOrder(a.name, b.name)),
    zOfFloor,
  };
}

export const isInside = (room: Room, place: Pick<Place, 'floorId' | 'xMm' | 'yMm'>): boolean =>
  room.floorId === place.floorId &&
  place.xMm >= room.xMm &&
  place.yMm >= room.yMm &&
  place.xMm <= room.xMm + room.widthMm &&
  place.yMm <= room.yMm + room.depthMm;
