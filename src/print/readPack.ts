import { createHash } from 'node:crypto';
import { strFromU8 } from 'fflate';
import { z } from 'zod';
import { refuse } from '../core/base/text/refusal';
import { issueWords, parseJson } from '../core/exchange/formats/jobFile';
import { JOB_IN_PACK, MANIFEST } from './packNames';
import { sealBroken } from './packSeal';
import { unzip } from './unzip';

/** What is unpacked at most, all files together: an archive can claim to hold more than any disk. */
const MOST_BYTES = 512 * 1024 * 1024;
const MOST_FILES = 20_000;

const Manifest = z.object({
  format: z.literal('good-shelf-pack'),
  version: z.number().int().min(1),
  job: z.string(),
  state: z.string(),
  at: z.string(),
  files: z
    .array(
      z.object({ name: z.string().min(1).max(400), bytes: z.number().int().min(0), sha256: z.string().length(64) }),
    )
    .max(MOST_FILES),
});

export type Pack = {
  files: ReadonlyMap<string, Uint8Array>;
  manifest: z.infer<typeof Manifest>;
  /** What is not as the manifest says. */
  faults: string[];
};

/** Whether something begins as an archive does. */
export const looksLikePack = (bytes: Uint8Array): boolean =>
  bytes[0] === 0x50 && bytes[1] === 0x4b && bytes[2] === 0x03;

/**
 * Read a pack and hold each of its files against the manifest.
 * @throws Refusal when it is no pack at all; what is changed, missing or too much stands in its faults
 */
export function readPack(bytes: Uint8Array): Pack {
  const all = unzip(bytes, { bytes: MOST_BYTES, files: MOST_FILES });
  if (!all) return refuse('pack', 'It is no archive, or a broken one: it cannot be unpacked.');
  const list = all.get(MANIFEST);
  if (!list) return refuse('pack', `It has no ${MANIFEST}: expected an archive as “The pack as open files” makes it.`);
  const checked = Manifest.safeParse(parseJson(strFromU8(list), MANIFEST));
  if (!checked.success) return refuse('pack', `${MANIFEST}: ${issueWords(checked.error).join('; ')}.`);
  const manifest = checked.data;
  const faults: string[] = [];
  const named = new Set([MANIFEST]);
  for (const { name, bytes: size, sha256 } of manifest.files) {
    named.add(name);
    const file = all.get(name);
    if (!file) faults.push(`${name} is missing.`);
    else if (file.byteLength !== size) faults.push(`${name} has ${file.byteLength} bytes: expected ${size}.`);
    else if (createHash('sha256').update(file).digest('hex') !== sha256)
      faults.push(`${name} is not what it was: its sum is another.`);
  }
  for (const name of all.keys())
    if (!named.has(name) && !name.endsWith('/')) faults.push(`${name} is not in the manifest.`);
  if (faults.length === 0 && sealBroken(bytes))
    faults.push('The archive itself was changed: the sum at its end is not that of its bytes.');
  return { files: all, manifest, faults };
}

/** The text of the job file in a pack. @throws Refusal when the pack is not whole */
export function jobInPack(bytes: Uint8Array): string {
  const { files, faults } = readPack(bytes);
  if (faults.length > 0) return refuse('pack', `The pack was changed: ${faults.slice(0, 5).join(' ')}`);
  const job = files.get(JOB_IN_PACK);
  return job ? strFromU8(job) : refuse('pack', `The pack holds no ${JOB_IN_PACK}.`);
}
