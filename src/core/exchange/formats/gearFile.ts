import { z } from 'zod';
import { refuse } from '../../base/text/refusal';
import { TABLES } from '../../job/document/tables';
import { Id } from '../../job/records/fields';
import { issueWords, parseJson } from './jobFile';
import { choicesAsCodes, countedOutlets } from './renewJobFile';

/** Racks and gear of a site: the job file's rack and gear records, ids optional. */
export const GearFile = z
  .strictObject({
    racks: z
      .array(TABLES.racks.schema.extend({ id: Id.optional() }))
      .max(TABLES.racks.atMost)
      .default([]),
    gear: z
      .array(TABLES.gear.schema.extend({ id: Id.optional() }))
      .max(TABLES.gear.atMost)
      .default([]),
  })
  .meta({ title: 'Good Shelf racks and gear' });

/**
 * Read racks and gear from the text of a file.
 * @returns records with ids: those given, else `rack-1`, `gear-1` and so on
 * @throws Refusal naming the record and the field
 */
export function readGearFile(text: string) {
  const given = parseJson(text, 'The gear file');
  if (typeof given === 'object' && given !== null) {
    countedOutlets(given as Record<string, unknown>);
    choicesAsCodes(given as Record<string, unknown>);
  }
  const checked = GearFile.safeParse(given);
  if (!checked.success)
    return refuse('not-gear', `The gear file is not as its schema says. ${issueWords(checked.error).join('; ')}.`);
  const named = <T extends { id?: string | undefined }>(rows: T[], noun: string) =>
    rows.map((row, at) => ({ ...row, id: row.id ?? `${noun}-${at + 1}` }));
  return { racks: named(checked.data.racks, 'rack'), gear: named(checked.data.gear, 'gear') };
}

/** JSON Schema of what `readGearFile` takes. */
export const gearFileSchema = () => z.toJSONSchema(GearFile, { io: 'input' });
