import { z } from 'zod';
import { CURVES } from '../../base/standards/breakers';
import { MAINS_WIRES } from '../../base/standards/mainsWire';
import { amount, Id, line, name, whole } from './fields';
import { byName, defineTable } from './table';

/** A mains circuit that feeds outlets at the cabinets. */
export const Circuit = z
  .strictObject({
    id: Id,
    name: name(40),
    volts: amount(100, 480).nullable().default(null).describe('null: as the job’s mains'),
    breakerA: amount(1, 125).nullable().default(null).describe('null: not known'),
    curve: z.enum(CURVES).nullable().default(null),
    fullRated: z.boolean().default(false).describe('the breaker is made for a continuous load of its whole rating'),
    residualMa: amount(0, 1000)
      .nullable()
      .default(null)
      .describe('of its residual-current device; 0: it has none; null: not known'),
    alsoW: amount(0, 30_000).nullable().default(null).describe('what else hangs on it; null: not known'),
    wire: z.enum(MAINS_WIRES).nullable().default(null),
    wireMm: whole(1, 500_000).nullable().default(null).describe('length of its wire to the outlets'),
    generator: z.boolean().default(false).describe('the generator carries it'),
    notes: line(300).default(''),
  })
  .meta({ id: 'Circuit' });
export type Circuit = z.infer<typeof Circuit>;

export const circuits = defineTable({
  name: 'circuits',
  about: 'plan',
  private: false,
  stations: ['power'],
  row: 'circuit',
  one: 'circuit',
  atMost: 100,
  schema: Circuit,
  title: (row) => row.name,
  keys: [byName()],
});
