import { holesOfPattern, rackDimensions, standardHoles } from '../../base/standards/rackDimensions';
import type { Job } from '../document/job';
import type { Gear } from '../records/gear';
import type { Rack } from '../records/rack';
import { placedIn, rearRailMm } from './space';
import { shownUnit, unitName } from './units';

/** One hole of a column: its unit from the bottom, which of the three of that unit from below, and its height above unit 1's lower edge. */
export type Hole = { unit: number; hole: number; heightMm: number };

export const holeHeightMm = (unit: number, hole: number): number =>
  (unit - 1) * rackDimensions.unitMm + (rackDimensions.holeOffsetsMm[hole - 1] ?? 0);

/** Holes as unit of the device and hole of the unit, lowest first. */
function pattern({ holes, heightU }: Gear): (readonly [number, number])[] {
  if (holes === 'middle') {
    return heightU === 1
      ? [[1, 2]]
      : [
          [1, 2],
          [heightU, 2],
        ];
  }
  if (holes === 'all')
    return Array.from({ length: heightU }, (_, unit) => [1, 2, 3].map((hole) => [unit + 1, hole] as const)).flat();
  const outer = [[1, 1] as const, [heightU, 3] as const];
  return holes === 'outer' ? outer : [...(standardHoles[heightU] ?? outer)];
}

/** Holes of one rail that the ears of a device use with its lowest unit at `bottomU`. */
export const holesOf = (gear: Gear, bottomU: number): Hole[] =>
  pattern(gear).map(([unit, hole]) => ({
    unit: bottomU + unit - 1,
    hole,
    heightMm: holeHeightMm(bottomU + unit - 1, hole),
  }));

export type HoleCardRow = {
  gearId: string;
  name: string;
  place: string;
  face: 'front' | 'rear';
  holes: { unit: number; hole: number; shownUnit: number; fromBottom: number; heightMm: number }[];
  /** Screws, and cage nuts where the holes are square: both columns, rails behind included. */
  screws: number;
  note: string;
};

export type HoleCard = { rack: Rack; rows: HoleCardRow[]; screws: number; nuts: number; mixed: string[] };

/** Rails are fixed with two screws a side to each of the two rear posts. Common practice, no source. */
const RAIL_SCREWS = 4;

/** Which holes each device of a rack uses, from the top down, and what there must be of nuts and screws. */
export function holeCard(job: Job, rack: Rack): HoleCard {
  const perUnit = holesOfPattern[rack.holePattern];
  const rows = placedIn(job, rack.id)
    .toReversed()
    .flatMap(({ gear, placement: { bottomU, face } }): HoleCardRow[] => {
      if (face !== 'front' && face !== 'rear') return [];
      const holes = holesOf(gear, bottomU).map((one) => ({
        ...one,
        shownUnit: shownUnit(rack, one.unit),
        fromBottom: (one.unit - 1) * perUnit.length + (perUnit as readonly number[]).indexOf(one.hole) + 1,
      }));
      const rails = gear.rails === 'needed' || (gear.rails === 'may' && rearRailMm(rack, bottomU) !== null);
      const ears = gear.ears === 'none' ? 0 : holes.length * 2;
      return [
        {
          gearId: gear.id,
          name: gear.name,
          place: unitName(rack, bottomU, gear.heightU),
          face,
          holes: gear.ears === 'none' ? [] : holes,
          screws: ears + (rails ? 2 * RAIL_SCREWS : 0),
          note: rails ? 'Its rails first, level front and rear.' : '',
        },
      ];
    });
  const screws = rows.reduce((sum, row) => sum + row.screws, 0);
  return {
    rack,
    rows,
    screws,
    nuts: rack.fixing === 'cage-nut' ? screws : 0,
    mixed: placedIn(job, rack.id).flatMap(({ gear }) =>
      gear.screwThread !== null && gear.screwThread !== rack.thread ? [`${gear.name}: ${gear.screwThread}`] : [],
    ),
  };
}
