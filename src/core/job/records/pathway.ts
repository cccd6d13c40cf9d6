import { z } from 'zod';
import { amount, Id, line, name, whole } from './fields';
import { byName, defineTable } from './table';

export const PATHWAY_KINDS = ['conduit', 'trunking', 'tray', 'hooks', 'hole'] as const;
export const SURROUNDINGS = ['indoor', 'riser', 'plenum', 'outdoor', 'buried'] as const;
export type Surroundings = (typeof SURROUNDINGS)[number];
/** What lies between the pathway and the mains beside it. */
export const CONTAINMENTS = ['none', 'open-metal', 'perforated-metal', 'solid-metal'] as const;
export const CONTAINMENT_WORDS: Record<(typeof CONTAINMENTS)[number], string> = {
  none: 'none',
  'open-metal': 'open metal',
  'perforated-metal': 'perforated metal',
  'solid-metal': 'solid metal',
};

/** A way that runs share. Round ones have a width only, the inside diameter. */
export const Pathway = z
  .strictObject({
    id: Id,
    name: name(60),
    kind: z.enum(PATHWAY_KINDS),
    surroundings: z.enum(SURROUNDINGS).default('indoor'),
    widthMm: amount(1, 2000).describe('inside width or diameter, mm'),
    heightMm: amount(1, 2000).nullable().default(null).describe('inside height of trunking and tray, mm'),
    lengthMm: whole(1, 1_000_000),
    bends: whole(0, 40).default(0).describe('bends of 90 degrees'),
    bendRadiusMm: whole(1, 10_000).nullable().default(null).describe('inside radius of its bends, mm'),
    pullPoints: whole(0, 40).default(0).describe('boxes on the way where cable can be pulled'),
    spacingMm: whole(100, 10_000).nullable().default(null).describe('of hooks, mm'),
    pullString: z.boolean().default(false).describe('a string is left in it'),
    reservedFor: line(80).default('').describe('for whom it is kept free; empty: for these runs'),
    mainsMm: whole(0, 10_000)
      .nullable()
      .default(null)
      .describe('to the nearest mains cable, mm; null none or not seen'),
    mainsCircuits: whole(0, 200).default(1),
    containment: z.enum(CONTAINMENTS).default('none'),
    ambientC: amount(-40, 90).nullable().default(null).describe('warmest air along it, °C; null: as the job’s routes'),
  })
  .meta({ id: 'Pathway' });
export type Pathway = z.infer<typeof Pathway>;

export const pathways = defineTable({
  name: 'pathways',
  about: 'plan',
  private: false,
  stations: ['runs'],
  row: 'pathway',
  one: 'pathway',
  atMost: 2000,
  schema: Pathway,
  title: (row) => row.name,
  keys: [byName()],
});
