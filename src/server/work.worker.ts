import { parentPort } from 'node:worker_threads';
import { applyCommands, describeCommands } from '../core/commands/apply';
import { openJobFile } from '../core/formats/jobFile';
import { sealJob } from '../core/job/sealJob';
import { clashes } from '../core/job/verify';
import { Refusal } from '../core/text/refusal';
import { comparedPdf } from '../print/comparedPdf';
import { readArchive, writeArchive } from '../print/jobArchive';
import { linkPage } from '../print/linkPage';
import { makeTakeaway } from '../print/makeTakeaway';
import type { Order, Work, WorkAnswer } from './workThread';

/** What is done in a thread of its own, so that nothing large holds up a request. */
const WORKS: { [W in keyof Work]: (given: Work[W]['given']) => Work[W]['made'] | Promise<Work[W]['made']> } = {
  compared: ({ before, after, from, to, root }) => comparedPdf(sealJob(before), sealJob(after), from, to, root),
  takeaway: ({ id, job, making }) =>
    makeTakeaway(id, sealJob(job), { ...making, today: making.today && sealJob(making.today) }),
  linkPage: (given) => linkPage({ ...given, job: sealJob(given.job), today: given.today && sealJob(given.today) }),
  writeArchive: ({ jobs, at }) => writeArchive(jobs, at),
  readArchive: ({ bytes }) => {
    const texts = readArchive(bytes);
    if (!texts) return null;
    const read = texts.map(({ file, text }) => {
      try {
        const { job } = openJobFile(text);
        return { job, faults: clashes(job).map((fault) => `${file}: ${fault}`) };
      } catch (fault) {
        if (!(fault instanceof Refusal)) throw fault;
        return { job: null, faults: [`${file}: ${fault.message}`] };
      }
    });
    return { jobs: read.flatMap(({ job }) => job ?? []), faults: read.flatMap(({ faults }) => faults) };
  },
  jobFile: ({ text }) => {
    const { job, notes } = openJobFile(text);
    return { job, notes, faults: clashes(job) };
  },
  batch: ({ job, commands }) => {
    const sealed = sealJob(job);
    return { label: describeCommands(sealed, commands), changes: applyCommands(sealed, commands).changes };
  },
};

parentPort?.on('message', async ({ number, work, given }: Order) => {
  const answer = (value: WorkAnswer) => parentPort?.postMessage(value);
  try {
    answer({ number, made: await WORKS[work](given as never) });
  } catch (fault) {
    if (fault instanceof Refusal) {
      const { code, message, at } = fault;
      answer({ number, refusal: { code, message, at } });
    } else answer({ number, fault: fault instanceof Error ? (fault.stack ?? fault.message) : String(fault) });
  }
});
