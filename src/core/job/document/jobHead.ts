import { z } from 'zod';
import { RULE_SETS } from '../../base/standards/ruleSets';
import { UNITS } from '../../base/units/length';
import { Id, name } from '../records/fields';

export const JobHead = z.strictObject({
  id: Id,
  name: name(),
  units: z.enum(UNITS).default('metric'),
  rules: z.enum(RULE_SETS).default('other').describe('region whose rules apply'),
  country: z
    .string()
    .regex(/^([A-Z]{2})?$/, 'expected a country code of two letters, such as GB')
    .default('')
    .describe('ISO 3166 code of the country; empty: not known'),
});
export type JobHead = z.infer<typeof JobHead>;
/** What of the head a person can change. */
export const HEAD_FIELDS = ['name', 'units', 'rules', 'country'] as const satisfies readonly (keyof JobHead)[];

/** The head of a job without its records. */
export const headOf = ({ id, name, units, rules, country }: JobHead): JobHead => ({ id, name, units, rules, country });
