import { strFromU8, strToU8, type Zippable, zipSync } from 'fflate';
import { z } from 'zod';
import { refuse } from '../core/base/text/refusal';
import { issueWords, parseJson } from '../core/exchange/formats/jobFile';
import { unzip } from './unzip';

/** Says of an archive that it holds jobs, and which. */
const LIST = 'archive.json';
const MOST_BYTES = 512 * 1024 * 1024;
const MOST_JOBS = 10_000;

const Archive = z.object({
  format: z.literal('good-shelf-archive'),
  version: z.literal(1),
  at: z.string(),
  jobs: z.array(z.object({ file: z.string().regex(/^jobs\/[\w-]{1,64}\.json$/), name: z.string() })).max(MOST_JOBS),
});

/** All jobs in one file: each as its own job file. @param at ISO 8601 */
export function writeArchive(jobs: readonly { id: string; name: string; text: string }[], at: string): Uint8Array {
  const mtime = new Date(Math.max(Date.UTC(1980, 0, 2), Date.parse(at) || 0));
  const list = jobs.map(({ id, name }) => ({ file: `jobs/${id}.json`, name }));
  const files: Zippable = Object.fromEntries(
    jobs.map(({ id, text }) => [`jobs/${id}.json`, [strToU8(text), { mtime, level: 6 }]]),
  );
  const head = { format: 'good-shelf-archive', version: 1, at, jobs: list };
  return zipSync({ [LIST]: [strToU8(`${JSON.stringify(head, null, 2)}\n`), { mtime, level: 6 }], ...files });
}

/** @returns the texts of the jobs in an archive; null where it is none of ours. @throws Refusal when it is broken or too large */
export function readArchive(bytes: Uint8Array): { file: string; text: string }[] | null {
  const limits = { bytes: MOST_BYTES, files: MOST_JOBS + 1 };
  const broken = () => refuse('archive', 'It is a broken archive: it cannot be unpacked.');
  const head = (unzip(bytes, limits, (name) => name === LIST) ?? broken()).get(LIST);
  if (!head) return null;
  const read = Archive.safeParse(parseJson(strFromU8(head), LIST));
  if (!read.success) return refuse('archive', `${LIST}: ${issueWords(read.error).join('; ')}.`);
  const wanted = new Set(read.data.jobs.map(({ file }) => file));
  const all = unzip(bytes, limits, (name) => wanted.has(name)) ?? broken();
  for (const file of wanted) if (!all.has(file)) refuse('archive', `The archive lacks ${file}.`);
  return [...all].map(([file, body]) => ({ file, text: strFromU8(body) }));
}
