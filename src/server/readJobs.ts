import { Refusal } from '../core/base/text/refusal';
import { decodeText } from '../core/exchange/formats/decodeText';
import { openJobFile, writeJobFile } from '../core/exchange/formats/jobFile';
import { jobFromPortMap } from '../core/exchange/handover/jobFromPortMap';
import type { Job } from '../core/job/document/job';
import { clashes } from '../core/job/document/verify';
import { readArchive } from '../print/jobArchive';
import { jobInPack, looksLikePack } from '../print/readPack';

/** Jobs that a file holds, what it is well to know of them, and what of them cannot be kept. */
export type ReadJobs = { jobs: Job[]; archive: boolean; notes: string[]; faults: string[] };

/** A job from the text of its file. @throws Refusal */
export function readJobText(text: string): ReadJobs {
  const { job, notes } = openJobFile(text);
  return { jobs: [job], archive: false, notes, faults: clashes(job) };
}

/**
 * Jobs of whatever file is brought: an archive of many, a pack, a job file, a port map.
 * @param fresh what a job is called of which the file does not say it
 * @throws Refusal when it is none of them
 */
export function readJobs(bytes: Uint8Array, fresh: { id: string; name: string }): ReadJobs {
  if (looksLikePack(bytes)) {
    const texts = readArchive(bytes);
    return texts ? readMany(texts) : readJobText(jobInPack(bytes));
  }
  const { text } = decodeText(bytes);
  if (/^\s*[{[]/.test(text)) return readJobText(text);
  const { job, notes } = jobFromPortMap(text, fresh);
  const read = readJobText(writeJobFile(job));
  return { ...read, notes: [...notes, ...read.notes] };
}

function readMany(texts: readonly { file: string; text: string }[]): ReadJobs {
  const read = texts.map(({ file, text }) => {
    try {
      const { jobs, faults } = readJobText(text);
      return { jobs, faults: faults.map((fault) => `${file}: ${fault}`) };
    } catch (fault) {
      if (!(fault instanceof Refusal)) throw fault;
      return { jobs: [], faults: [`${file}: ${fault.message}`] };
    }
  });
  return {
    jobs: read.flatMap(({ jobs }) => jobs),
    archive: true,
    notes: [],
    faults: read.flatMap(({ faults }) => faults),
  };
}
