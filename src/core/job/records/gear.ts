import { z } from 'zod';
import { CHEMISTRIES, TOPOLOGIES } from '../../base/standards/batteries';
import { CATEGORIES } from '../../base/standards/categoryReach';
import { CONNECTORS } from '../../base/standards/connectors';
import { INLETS } from '../../base/standards/inlets';
import { FITTINGS } from '../../base/standards/landing';
import { OUTLET_KINDS, PLUG_KINDS } from '../../base/standards/outlets';
import { ARRAYS } from '../../base/standards/recording';
import { THREADS } from '../../base/standards/screwThreads';
import { amount, day, Id, line, name, whole } from './fields';
import { CARRIES } from './run';
import { byName, byShortName, defineTable } from './table';

export const GEAR_KINDS = [
  'panel',
  'switch',
  'router',
  'modem',
  'server',
  'computer',
  'storage',
  'recorder',
  'ups',
  'distribution',
  'injector',
  'shelf',
  'drawer',
  'kit',
  'cassette',
  'manager',
  'brush',
  'fan',
  'blank',
  'other',
] as const;
export type GearKind = (typeof GEAR_KINDS)[number];

/** A group of like ports. Ports are numbered through the device, group after group, from 1. */
export const PortGroup = z.strictObject({
  count: whole(1, 96),
  connector: z.enum(CONNECTORS),
  speedMbps: whole(1, 800_000).nullable().default(null).describe('fastest speed; null on a panel'),
  poeW: amount(0, 100).default(0).describe('watts one port can supply'),
  use: z.enum(['access', 'internet']).default('access'),
  rows: whole(1, 4).nullable().default(null).describe('null: as usual for so many'),
  pitchMm: amount(5, 100).nullable().default(null).describe('port to port; null: as usual for the connector'),
  xMm: amount(0, 500)
    .nullable()
    .default(null)
    .describe('left edge of the group from the left end; null: laid out by itself'),
  side: z.enum(['front', 'rear']).default('front'),
  category: z.enum(CATEGORIES).nullable().default(null).describe('of jacks and couplers; null not known'),
  screened: z.boolean().default(false),
  fitting: z.enum(FITTINGS).default('punch').describe('how a cable is ended on a panel port'),
  carries: z.enum(CARRIES).nullable().default(null).describe('of a keystone opening; null: as the run needs'),
});
export type PortGroup = z.infer<typeof PortGroup>;

/** What is behind an outlet when the mains are out. */
export const BACKINGS = ['battery', 'surge', 'none'] as const;

/** A group of like mains outlets. They are numbered through the device, group after group, from 1. */
export const OutletGroup = z.strictObject({
  count: whole(1, 48),
  kind: z
    .enum(OUTLET_KINDS)
    .nullable()
    .default(null)
    .describe('null: the household kind of the region; on a battery unit not known'),
  pitchMm: amount(15, 300).nullable().default(null).describe('middle to middle; null: as usual for the kind'),
  backing: z
    .enum(BACKINGS)
    .nullable()
    .default(null)
    .describe('battery-backed, surge protection only, or neither; null: not known on a UPS, neither elsewhere'),
  switched: z.boolean().default(false).describe('can be switched off and on from afar'),
  measured: z.boolean().default(false).describe('its current is shown'),
  onAfterS: amount(0, 600).default(0).describe('seconds after the mains return until its first outlet is on'),
  apartS: amount(0, 60).default(0).describe('seconds from each of its outlets to the next'),
});
export type OutletGroup = z.infer<typeof OutletGroup>;

/** The battery of a unit, as its plate and its data sheet say. */
export const Battery = z.strictObject({
  topology: z.enum(TOPOLOGIES).nullable().default(null).describe('IEC 62040-3; null: not known'),
  ratedVa: amount(1, 50_000).nullable().default(null),
  ratedW: amount(1, 50_000).nullable().default(null),
  chemistry: z.enum(CHEMISTRIES).default('vrla'),
  blockV: amount(1, 500).nullable().default(null),
  blockAh: amount(0.1, 1000).nullable().default(null).describe('at the 20-hour rate'),
  blocks: whole(1, 100).default(1).describe('in series'),
  strings: whole(1, 20).default(1).describe('beside each other'),
  blockKg: amount(0.1, 200).nullable().default(null),
  madeOn: day.nullable().default(null).describe('of the blocks; null: not known'),
  chargeA: amount(0.01, 200).nullable().default(null),
  transferMs: amount(0, 1000).nullable().default(null).describe('null: as usual for its class'),
  wave: z.enum(['sine', 'stepped']).nullable().default(null),
  ownW: amount(0, 5000).nullable().default(null).describe('what the unit itself draws on battery; null: not known'),
  runtime: z
    .array(z.strictObject({ loadW: amount(1, 50_000), minutes: amount(0.1, 10_000) }))
    .max(20)
    .default([])
    .describe('the maker’s table'),
});
export type Battery = z.infer<typeof Battery>;

/** Drives of a recorder or store. */
export const Drives = z.strictObject({
  count: whole(1, 60),
  tbEach: amount(0.01, 1000),
  array: z.enum(ARRAYS).default('single'),
});
export type Drives = z.infer<typeof Drives>;

/** What becomes of a device while the mains are out. */
export const OUTAGES = ['stays', 'may-go', 'goes-first'] as const;
export const OUTAGE_WORDS: Record<(typeof OUTAGES)[number], string> = {
  stays: 'stays on',
  'may-go': 'may go dark',
  'goes-first': 'goes first',
};

/** What it is made to be screwed to: the rails of a rack, the upright channel beside them, or nothing. */
const FRAMES = ['19-inch', '10-inch', 'upright', 'free'] as const;
const AIRFLOWS = ['none', 'front-rear', 'rear-front', 'side', 'up'] as const;
/** Straight: block 1 to 24 behind port 1 to 24. Two-level: odd ports on the upper block row, even ones on the lower. */
export const ROW_ORDERS = ['straight', 'two-level'] as const;
export const HOLE_CHOICES = ['standard', 'outer', 'middle', 'all'] as const;
const mm = (least: number, most = 2000) => whole(least, most).nullable().default(null);

/** Anything that stands in a rack, hangs beside its rails, or lies on a shelf of it. */
export const Gear = z
  .strictObject({
    id: Id,
    name: name(),
    shortName: line(8).default('').describe('on drawings, sheets and labels; empty: given by itself'),
    kind: z.enum(GEAR_KINDS),
    frame: z.enum(FRAMES).default('19-inch'),
    heightU: whole(1, 60).describe('rack units; of an upright one the units it is long'),
    widthMm: mm(1).describe('body; of a shelf, drawer or kit the room inside; null: as usual for its frame'),
    heightMm: mm(1).describe('of what is free'),
    depthMm: whole(1, 2000).describe('body behind the front rails, mm'),
    plugFrontMm: mm(0, 500).describe('room for plugs in front; null: by its ports'),
    plugRearMm: mm(0, 500).describe('room for plugs behind; null: by its inlets and rear ports'),
    massKg: amount(0, 1000).nullable().default(null).describe('null: not known'),
    ears: z.enum(['fixed', 'removable', 'none']).default('fixed'),
    rails: z.enum(['none', 'may', 'needed']).default('none').describe('slide rails or rear supports'),
    railLeastMm: mm(0).describe('its rails reach from here, front rails to rear rails'),
    railMostMm: mm(0).describe('and to here'),
    holes: z.enum(HOLE_CHOICES).default('standard').describe('which holes its ears use'),
    screwThread: z.enum(THREADS).nullable().default(null).describe('of the screws that come with it'),
    powerW: amount(0, 20_000)
      .nullable()
      .default(null)
      .describe('own draw at most, without what its ports supply; null: not known'),
    idleW: amount(0, 20_000).nullable().default(null),
    heatW: amount(0, 20_000).nullable().default(null).describe('null: all that it draws itself'),
    noiseDbA: amount(0, 150).nullable().default(null),
    noiseIs: z.enum(['pressure', 'power']).default('pressure').describe('at 1 m, or the power that is declared'),
    mostC: amount(0, 90).nullable().default(null).describe('warmest air that it may draw in; null: not known'),
    flowM3h: amount(0, 10_000).nullable().default(null).describe('of a fan: air moved in the open'),
    thermostatC: amount(0, 90).nullable().default(null).describe('of a fan: starts at; null: runs always'),
    airflow: z.enum(AIRFLOWS).default('none'),
    inlet: z.enum(INLETS).default('none'),
    inlets: whole(0, 8).default(0),
    plug: z
      .enum(PLUG_KINDS)
      .nullable()
      .default(null)
      .describe('what its own cord or supply ends in; null: a cord is bought, or the household plug of the region'),
    plugWidthMm: mm(5, 300).describe('plug or supply in the outlet, along the outlets; null: as usual'),
    supplies: z.enum(['share', 'standby']).default('share').describe('of several: share the load, or one stands by'),
    powerFactor: amount(0.3, 1).nullable().default(null),
    efficiency: amount(0.3, 1).nullable().default(null).describe('of its supply, or of a battery unit'),
    inrushA: amount(0, 2000).nullable().default(null).describe('peak when switched on cold'),
    leakMa: amount(0, 100).nullable().default(null).describe('standing current to earth'),
    inputA: amount(0.5, 125).nullable().default(null).describe('rating of its own plug or inlet; null: as its kind'),
    inOutage: z.enum(OUTAGES).default('may-go').describe('whether it must stay on while the mains are out'),
    outlets: z.array(OutletGroup).max(8).default([]).describe('mains outlets that it offers'),
    battery: Battery.nullable().default(null),
    drives: Drives.nullable().default(null),
    daysWanted: whole(1, 3650).nullable().default(null).describe('of a recorder: recordings are kept so long'),
    poeBudgetW: amount(0, 20_000).default(0).describe('watts all its ports together can supply'),
    ports: z.array(PortGroup).max(12).default([]),
    rowOrder: z.enum(ROW_ORDERS).default('straight').describe('of a punch-down panel: its blocks behind'),
    angled: z.boolean().default(false).describe('of a panel: cords leave to both sides'),
    managed: z.boolean().default(false).describe('of a switch: its ports can be put into networks'),
    loopGuard: z.boolean().default(false).describe('of a switch: it speaks a redundancy protocol (IEEE 802.1D)'),
    powersUnasked: z
      .boolean()
      .default(false)
      .describe('its ports give power without asking whether the device takes it'),
    fillMm2: whole(1, 100_000).nullable().default(null).describe('of a manager: room for cords, cross-section'),
    carriesKg: amount(0, 1000).nullable().default(null).describe('of a shelf, drawer or kit'),
    bays: whole(0, 12).default(0).describe('of a kit: how many devices side by side; 0: a tray'),
    priceMinor: whole(0, 1_000_000_000).nullable().default(null),
    leadDays: whole(0, 1000).nullable().default(null),
    notes: line(500).default(''),
  })
  .meta({ id: 'Gear' });
export type Gear = z.infer<typeof Gear>;

const CARRIERS: readonly GearKind[] = ['shelf', 'drawer', 'kit'];
/** Things that others can stand in or on. */
export const isCarrier = (gear: Pick<Gear, 'kind'>): boolean => CARRIERS.includes(gear.kind);

export const gear = defineTable({
  name: 'gear',
  about: 'plan',
  private: false,
  stations: ['stack'],
  withCabinet: true,
  row: 'gear',
  one: 'device',
  atMost: 2000,
  schema: Gear,
  title: (row) => row.name,
  keys: [
    byName((row) => `There is a device called ${row.name} already: give this one a name of its own.`),
    byShortName,
  ],
});
