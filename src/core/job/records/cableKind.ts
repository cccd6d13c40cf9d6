import { z } from 'zod';
import { FIRE_CLASSES } from '../../base/standards/ruleSets';
import { amount, Id, line, name, whole } from './fields';
import { CARRIES } from './run';
import { byName, defineTable } from './table';

export const CABLE_RATINGS = ['indoor', 'riser', 'plenum', 'outdoor', 'direct-burial'] as const;
export type CableRating = (typeof CABLE_RATINGS)[number];
export const CONDUCTORS = ['solid', 'stranded', 'none'] as const;

/** A kind of cable. Runs name it; a kind of the job stands before one of the library with the same name. */
export const CableKind = z
  .strictObject({
    id: Id,
    name: name(60),
    carries: z.enum(CARRIES).default('ethernet'),
    screened: z.boolean().default(false),
    diameterMm: amount(0.5, 60).describe('outside diameter, mm'),
    gaugeAwg: whole(4, 40).nullable().default(null).describe('of the conductors; null for fibre'),
    conductors: z.enum(CONDUCTORS).default('solid'),
    bendFactor: amount(1, 40).default(4).describe('least inside bend radius installed, times the diameter'),
    ratings: z.array(z.enum(CABLE_RATINGS)).max(5).default(['indoor']),
    fireClass: z
      .enum(FIRE_CLASSES)
      .nullable()
      .default(null)
      .describe('reaction to fire as printed on the sheath; null: not known'),
    boxMm: whole(1000, 5_000_000).default(305_000).describe('cable in a full box or reel, mm'),
    note: line(200).default(''),
  })
  .meta({ id: 'CableKind' });
export type CableKind = z.infer<typeof CableKind>;

export const cableKinds = defineTable({
  name: 'cableKinds',
  about: 'firm',
  private: false,
  stations: ['runs'],
  withCabinet: true,
  row: 'cable_kind',
  one: 'cable kind',
  atMost: 500,
  schema: CableKind,
  title: (row) => row.name,
  keys: [byName()],
});
