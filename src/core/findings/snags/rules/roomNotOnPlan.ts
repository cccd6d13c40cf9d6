import { commonPractice } from '../../../base/standards/source';
import { counted } from '../../../base/text/counted';
import { sameKey } from '../../../base/text/sameKey';
import { isNow, isUntraced } from '../../../job/records/run';
import { roomKey, siteOf } from '../../../trade/survey/answers/site';
import type { SnagRule } from '../snag';

const NO_ROOM = 'No room';

export const roomNotOnPlan: SnagRule = {
  id: 'room-not-on-plan',
  why: 'Its length cannot be told from the plan. Draw the room, or measure the run.',
  source: commonPractice,
  stations: ['survey'],
  reads: {
    runs: ['id', 'label', 'floor', 'room', 'outlet', 'lengthMm', 'origin', 'scope'],
    floors: true,
    rooms: true,
    places: true,
  },
  find: ({ job, runsInOrder }) => {
    if (Object.keys(job.rooms).length === 0) return [];
    const { floorByName, roomByName } = siteOf(job);
    const missing = new Map<string, string[]>();
    for (const run of runsInOrder) {
      if (!isNow(run) || isUntraced(run) || run.lengthMm !== null) continue;
      const floor = floorByName.get(sameKey(run.floor));
      if (floor && roomByName.has(roomKey(floor.id, run.room))) continue;
      const place = [run.floor, run.room].filter(Boolean).join(', ') || NO_ROOM;
      missing.set(place, [...(missing.get(place) ?? []), run.id]);
    }
    return [...missing].map(([place, ids]) => ({
      grade: 'could-be-neater' as const,
      runIds: ids.slice(0, 1),
      rowIds: [`room ${place}`],
      what:
        place === NO_ROOM
          ? `${counted(ids.length, 'run')} ${ids.length === 1 ? 'has' : 'have'} no room, and ${ids.length === 1 ? 'was' : 'were'} not measured.`
          : `${place} is not on the plan, and ${counted(ids.length, 'run')} there ${ids.length === 1 ? 'was' : 'were'} not measured.`,
    }));
  },
};
