import { rackDimensions } from '../../base/standards/rackDimensions';
import type { Rack } from '../records/rack';

/** Outer widths, and what floor and roof add to the units, mm, where nothing is given. Common practice, no source. */
const USUAL_WIDTH: Record<Rack['frame'], number> = { '19-inch': 600, '10-inch': 310 };
const FLOOR_AND_ROOF_MM = 100;

/** Outer depth of the box, millimetres: as given, else from the door to the back. */
export const outerDepthOf = (rack: Rack): number => rack.outerDepthMm ?? rack.depthMm + (rack.frontClearanceMm ?? 0);

/** Outer size of the box, mm: as given, else as usual. */
export const outerSize = (rack: Rack) => ({
  widthMm: rack.outerWidthMm ?? USUAL_WIDTH[rack.frame],
  heightMm: rack.outerHeightMm ?? Math.round(rack.units * rackDimensions.unitMm + FLOOR_AND_ROOF_MM),
  depthMm: outerDepthOf(rack),
});
