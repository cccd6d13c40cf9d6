import { z } from 'zod';
import { MATERIALS, POSITIONS } from '../../base/standards/cooling';
import { THREADS } from '../../base/standards/screwThreads';
import { amount, Id, line, name, whole } from './fields';
import { byShortName, clearedWith, defineTable } from './table';

const mm = (least: number, most: number) => whole(least, most).nullable().default(null);

/** How a cabinet stands. */
export const STANDINGS = ['wall', 'floor', 'table'] as const;

export const RACK_DOORS = ['none', 'glass', 'solid', 'vented'] as const;

/** A rack or cabinet. Units are counted from the bottom inside; `numbering` is how they are shown. */
export const Rack = z
  .strictObject({
    id: Id,
    name: name(),
    shortName: line(8).default('').describe('on drawings, sheets and labels; empty: given by itself'),
    frame: z.enum(['19-inch', '10-inch']).default('19-inch'),
    units: whole(1, 60).describe('rack units'),
    depthMm: whole(50, 2000).describe('usable depth behind the front rails, mm'),
    numbering: z.enum(['from-bottom', 'from-top']).default('from-bottom'),
    posts: z.union([z.literal(2), z.literal(4)]).default(4),
    rearRailMm: mm(50, 2000).describe('front rails to rear rails as set; null: at the back'),
    rearRailLeastMm: mm(50, 2000).describe('the rear rails can be set from here'),
    rearRailMostMm: mm(50, 2000).describe('and to here'),
    innerRailMm: mm(50, 2000).describe('second pair of rear rails at another depth'),
    innerFromU: mm(1, 60).describe('units with the second pair, from the bottom'),
    innerToU: mm(1, 60),
    holePattern: z.enum(['universal', 'wide']).default('universal').describe('three holes a unit, or two'),
    fixing: z.enum(['cage-nut', 'threaded']).default('cage-nut'),
    thread: z.enum(THREADS).default('M6'),
    door: z.enum(RACK_DOORS).nullable().default(null).describe('null: not known'),
    frontClearanceMm: mm(0, 500).describe('front rails to door, mm'),
    roof: z.enum(['closed', 'vented', 'fan', 'open']).default('closed'),
    sides: z.enum(['closed', 'vented', 'removable', 'open']).default('closed'),
    sideRoomMm: mm(0, 500).describe('between the rails and each side, for cables and uprights'),
    material: z.enum(MATERIALS).nullable().default(null).describe('null: not known'),
    position: z.enum(POSITIONS).nullable().default(null).describe('which of its faces are free; null: not known'),
    topCovered: z.boolean().default(false),
    ventLowCm2: whole(0, 10_000).nullable().default(null).describe('open area below; null: not known'),
    ventHighCm2: whole(0, 10_000).nullable().default(null).describe('open area above; null: not known'),
    ventApartMm: mm(0, 3000).describe('middle of the lower openings to middle of the upper; null: nearly its height'),
    filtered: z.boolean().default(false).describe('its openings have filters'),
    hinge: z.enum(['none', 'left', 'right']).default('none').describe('swings out from the wall'),
    entry: z.enum(['top', 'bottom', 'either']).default('top').describe('where the cables come in'),
    entryDepthMm: mm(0, 2000).describe('cables come in so far behind the front rails; null: at the back'),
    entryAcrossMm: mm(0, 2000).describe('and so far from the left edge of the panels; null: in the middle'),
    internet: z.enum(['none', 'top', 'bottom']).default('none').describe('where the internet comes in'),
    standing: z.enum(STANDINGS).default('floor'),
    baseMm: mm(0, 5000).describe('floor to the lower edge of the lowest unit'),
    outerWidthMm: mm(50, 3000),
    outerHeightMm: mm(50, 5000),
    outerDepthMm: mm(50, 3000),
    emptyKg: amount(0, 1000).nullable().default(null),
    ratedLoadKg: amount(0, 5000).nullable().default(null),
    stackedOn: Id.nullable().default(null).describe('the frame that this one stands on'),
  })
  .meta({ id: 'Rack' });
export type Rack = z.infer<typeof Rack>;

export const racks = defineTable({
  name: 'racks',
  about: 'plan',
  private: false,
  stations: ['stack'],
  withCabinet: true,
  row: 'rack',
  one: 'rack',
  atMost: 50,
  schema: Rack,
  title: (row) => row.name,
  keys: [byShortName],
  refers: [clearedWith('stackedOn', 'racks')],
  clash: (job: { racks: Record<string, Rack> }, row) => {
    const below = new Set([row.id]);
    for (let at = row.stackedOn; at !== null; at = job.racks[at]?.stackedOn ?? null) {
      if (below.has(at)) return `${row.name} would stand on itself, directly or over other frames.`;
      below.add(at);
    }
    return null;
  },
});
