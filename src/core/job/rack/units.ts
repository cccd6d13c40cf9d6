import type { Gear } from '../records/gear';
import { type Placement, span } from '../records/placement';
import type { Rack } from '../records/rack';
import { takesUnits } from './space';

/** The number shown for a unit counted from the bottom, by the rack's own numbering. */
export function shownUnit(rack: Rack, unitFromBottom: number): number {
  return rack.numbering === 'from-bottom' ? unitFromBottom : rack.units + 1 - unitFromBottom;
}

/** `U7`, or `U7–U8` for a device of two units, in the rack's own numbering, lower number first. */
export function unitName(rack: Rack, bottomU: number, heightU: number): string {
  const { topU } = span(bottomU, heightU);
  const [low, high] = [shownUnit(rack, bottomU), shownUnit(rack, topU)].sort((a, b) => a - b);
  return low === high ? `U${low}` : `U${low}–U${high}`;
}

/** Units between a device and the end of its rack; the nearer end for `either`. */
export function unitsToEdge(rack: Rack, bottomU: number, heightU: number, edge: Rack['entry']): number {
  const [above, below] = [rack.units - span(bottomU, heightU).topU, bottomU - 1];
  return { top: above, bottom: below, either: Math.min(above, below) }[edge];
}

/** Units of a rack that no placed device takes, from the bottom. */
export function freeUnits(rack: Rack, placements: Placement[], gear: Record<string, Gear>): number[] {
  const taken = new Set<number>();
  for (const placement of placements) {
    if (placement.rackId !== rack.id || !takesUnits(placement)) continue;
    const height = gear[placement.gearId]?.heightU ?? 0;
    for (let unit = placement.bottomU; unit < placement.bottomU + height; unit++) taken.add(unit);
  }
  return Array.from({ length: rack.units }, (_, at) => at + 1).filter((unit) => !taken.has(unit));
}
