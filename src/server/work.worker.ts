import { parentPort } from 'node:worker_threads';
import { Refusal } from '../core/base/text/refusal';
import { applyCommands, describeCommands } from '../core/job/commands/apply';
import { sealJob } from '../core/job/document/sealJob';
import { comparedPdf } from '../print/comparedPdf';
import { writeArchive } from '../print/jobArchive';
import { linkPage } from '../print/linkPage';
import { makeTakeaway } from '../print/makeTakeaway';
import { plainPicture } from './plainPicture';
import { readJobs } from './readJobs';
import type { Began, Order, Work, WorkAnswer } from './workPool';

/** What is done in a thread of its own, so that nothing large holds up a request. */
const WORKS: { [W in keyof Work]: (given: Work[W]['given']) => Work[W]['made'] | Promise<Work[W]['made']> } = {
  compared: ({ before, after, from, to, root }) => comparedPdf(sealJob(before), sealJob(after), from, to, root),
  takeaway: ({ id, job, making }) =>
    makeTakeaway(id, sealJob(job), { ...making, today: making.today && sealJob(making.today) }),
  linkPage: (given) => linkPage({ ...given, job: sealJob(given.job), today: given.today && sealJob(given.today) }),
  writeArchive: ({ jobs, at }) => writeArchive(jobs, at),
  readFile: ({ bytes, fresh }) => readJobs(bytes, fresh),
  batch: ({ job, commands }) => {
    const sealed = sealJob(job);
    return { label: describeCommands(sealed, commands), changes: applyCommands(sealed, commands).changes };
  },
  picture: ({ bytes }) => plainPicture(bytes),
};

export default async function work({ number, work, given }: Order): Promise<WorkAnswer> {
  parentPort?.postMessage({ began: number } satisfies Began);
  try {
    return { made: await WORKS[work](given as never) };
  } catch (fault) {
    if (!(fault instanceof Refusal)) throw fault;
    const { code, message, at } = fault;
    return { refusal: { code, message, at } };
  }
}
