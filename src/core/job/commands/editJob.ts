import { z } from 'zod';
import { countryOf } from '../../base/standards/countries';
import { RULE_SETS, ruleSets } from '../../base/standards/ruleSets';
import { UNITS } from '../../base/units/length';
import { JobHead } from '../document/jobHead';
import { commandKind } from './command';

/** Change the job's name, units or rules. */
export const editJob = commandKind({
  schema: z.strictObject({
    type: z.literal('editJob'),
    changes: z
      .strictObject({
        name: JobHead.shape.name,
        units: z.enum(UNITS),
        rules: z.enum(RULE_SETS),
        country: JobHead.shape.country.unwrap(),
      })
      .partial(),
  }),
  apply: (job, { changes }) => {
    Object.assign(job, changes);
  },
  describe: (_, { changes }) =>
    changes.name
      ? `Rename the job to ${changes.name}`
      : changes.country
        ? `Country: ${countryOf(changes.country)?.name ?? changes.country}`
        : changes.rules
          ? `Rules of ${ruleSets[changes.rules].name}`
          : `Show ${changes.units} units`,
});
