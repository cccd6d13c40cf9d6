import { type PortBox, portLayout } from '../gear/portLayout';
import type { Job } from '../job/job';
import type { GearKind } from '../job/records/gear';
import type { Rack } from '../job/records/rack';
import { rackDimensions } from '../standards/rackDimensions';
import { shownUnit, unitName } from './units';

/** A device in the drawing: its box in millimetres, y downwards from the rack's top. */
export type ElevationItem = {
  gearId: string;
  name: string;
  kind: GearKind;
  place: string;
  x: number;
  y: number;
  width: number;
  height: number;
  depthMm: number;
  tooDeep: boolean;
  ports: PortBox[];
};

export type Elevation = {
  rackName: string;
  widthMm: number;
  heightMm: number;
  depthMm: number;
  units: { unitFromBottom: number; shown: number; y: number }[];
  holes: { x: number; y: number }[];
  items: ElevationItem[];
};

const { unitMm, panelWidthMm, holeColumnsApartMm, holeOffsetsMm, panelReliefMm } = rackDimensions;

/** Top edge of a unit counted from the bottom, millimetres below the rack's top. */
export const unitTop = (rack: Rack, unitFromBottom: number): number => (rack.units - unitFromBottom) * unitMm;

/** Hole centres above the lower boundary of unit 1, lowest first. */
export function holeHeights(units: number): number[] {
  return Array.from({ length: units }, (_, unit) => holeOffsetsMm.map((offset) => unit * unitMm + offset)).flat();
}

/** Everything that a front or side drawing of a rack needs, to scale in millimetres. */
export function elevation(job: Job, rack: Rack): Elevation {
  const heightMm = rack.units * unitMm;
  const columns = [(panelWidthMm - holeColumnsApartMm) / 2, (panelWidthMm + holeColumnsApartMm) / 2];
  return {
    rackName: rack.name,
    widthMm: panelWidthMm,
    heightMm,
    depthMm: rack.depthMm,
    units: Array.from({ length: rack.units }, (_, at) => ({
      unitFromBottom: at + 1,
      shown: shownUnit(rack, at + 1),
      y: unitTop(rack, at + 1),
    })),
    holes: holeHeights(rack.units).flatMap((height) => columns.map((x) => ({ x, y: heightMm - height }))),
    items: Object.values(job.placements).flatMap((placement) => {
      const gear = job.gear[placement.gearId];
      if (!gear || placement.rackId !== rack.id) return [];
      return {
        gearId: gear.id,
        name: gear.name,
        kind: gear.kind,
        place: unitName(rack, placement.bottomU, gear.heightU),
        x: 0,
        y: unitTop(rack, placement.bottomU + gear.heightU - 1) + panelReliefMm / 2,
        width: panelWidthMm,
        height: gear.heightU * unitMm - panelReliefMm,
        depthMm: gear.depthMm,
        tooDeep: gear.depthMm > rack.depthMm,
        ports: portLayout(gear),
      };
    }),
  };
}
