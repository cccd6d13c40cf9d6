import { type BuildPapers, buildPapers } from '../core/build/buildPapers';
import { outageNotice } from '../core/build/notices';
import { cordsCsv } from '../core/formats/cordsCsv';
import { elevationSvg } from '../core/formats/elevationSvg';
import { faultCards } from '../core/formats/faultCards';
import { writeJobFile } from '../core/formats/jobFile';
import { kitCsv } from '../core/formats/kitCsv';
import { outletsCsv } from '../core/formats/outletsCsv';
import { outletsSvg } from '../core/formats/outletsSvg';
import { patchDot, patchGraphMl } from '../core/formats/patchGraph';
import { portMapCsv } from '../core/formats/portMap';
import { portMapSvg } from '../core/formats/portMapSvg';
import { portPlanCsv } from '../core/formats/portPlanCsv';
import { pullSheetCsv } from '../core/formats/pullSheetCsv';
import { runsCsv } from '../core/formats/runsCsv';
import type { TakeawayId, TakeawayWords } from '../core/formats/takeaways';
import { testsCsv } from '../core/formats/testsCsv';
import { testsJson } from '../core/formats/testsJson';
import { visitsIcs } from '../core/formats/visitsIcs';
import type { Job } from '../core/job/job';
import { readLabelOptions } from '../core/labels/labelOptions';
import { labelPages } from '../core/labels/labelPages';
import { readGathering } from '../core/loom/gatherRuns';
import { given } from '../core/text/given';
import { refuse } from '../core/text/refusal';
import { buildPdf, kitPdf } from './buildPdf';
import { elevationPng } from './elevationPng';
import { faultCardsPdf } from './faultCardsPdf';
import { holeCardPdf } from './holeCardPdf';
import { labelsPdf } from './labelsPdf';
import { labelsSvg } from './labelsSvg';
import { loomPdf } from './loomPdf';
import { portMapPdf } from './portMapPdf';
import { powerPdf } from './powerPdf';
import { terminationPdf } from './terminationPdf';
import { testsPdf } from './testsPdf';
import { wallPdf } from './wallPdf';

/**
 * @param root folder of the program, where its fonts are
 * @param today what stood before the build began; null: nothing
 */
type Make = (job: Job, words: TakeawayWords, root: string, today: Job | null) => string | Promise<Uint8Array>;

/** Seconds for the order of the cut-over. */
const ORDER_S = 5;
const papers = (today: Job | null, job: Job): BuildPapers =>
  buildPapers(today, job, { seed: 1, now: () => performance.now(), untilMs: performance.now() + ORDER_S * 1000 });

const labels = (job: Job, { kind, sheet, own, codeFor, runs }: TakeawayWords) =>
  labelPages(job, readLabelOptions(given({ kind, sheet, own, codeFor, runs })));

/** @throws Refusal when no run failed */
function failedLabelsPdf(job: Job, words: TakeawayWords, root: string): Promise<Buffer> {
  const failed = faultCards(job).map(({ runId }) => runId);
  if (failed.length === 0) refuse('no-faults', 'No run has failed its latest test: there are no labels to print.');
  return labelsPdf(labels(job, { ...words, runs: failed.join(',') }), `Failed runs of ${job.name}`, root);
}

function pageOf({ page }: TakeawayWords): number | undefined {
  const number = Number(page);
  return Number.isInteger(number) && number > 0 ? number : undefined;
}

const MAKES: Record<TakeawayId, Make> = {
  'job.json': writeJobFile,
  'runs.csv': runsCsv,
  'pull-sheet.csv': pullSheetCsv,
  'labels.pdf': (job, words, root) => labelsPdf(labels(job, words), `Labels of ${job.name}`, root),
  'labels.svg': (job, words) => labelsSvg(labels(job, words), pageOf(words)),
  'elevation.svg': elevationSvg,
  'elevation.png': (job, _, root) => elevationPng(job, root),
  'hole-card.pdf': (job, _, root) => holeCardPdf(job, root),
  'wall.pdf': (job, _, root) => wallPdf(job, root),
  'termination.pdf': (job, _, root) => terminationPdf(job, root),
  'port-map.csv': portMapCsv,
  'port-map.pdf': (job, _, root) => portMapPdf(job, root),
  'port-map.svg': (job, words) => portMapSvg(job, readGathering(given({ by: words.by, show: words.show }))),
  'loom.pdf': (job, words, root) => loomPdf(job, readGathering(given({ by: words.by, show: words.show })), root),
  'cords.csv': cordsCsv,
  'port-plan.csv': portPlanCsv,
  'power.pdf': (job, _, root) => powerPdf(job, root, new Date().toISOString().slice(0, 10)),
  'outlets.csv': outletsCsv,
  'outlets.svg': outletsSvg,
  'build.pdf': (job, _, root, today) => buildPdf(job, papers(today, job), root),
  'kit.csv': (job, _, __, today) => kitCsv(papers(today, job).kit),
  'kit.pdf': (job, _, root, today) => kitPdf(job, papers(today, job).kit, root),
  'outage.txt': (job, _, __, today) => outageNotice(job, papers(today, job).plan),
  'visits.ics': (job, _, __, today) => visitsIcs(job, papers(today, job).plan, new Date().toISOString().slice(0, 16)),
  'tests.pdf': (job, _, root) => testsPdf(job, root),
  'fault-cards.pdf': (job, _, root) => faultCardsPdf(job, root),
  'failed-labels.pdf': (job, words, root) => failedLabelsPdf(job, words, root),
  'tests.json': testsJson,
  'tests.csv': testsCsv,
  'patch.graphml': patchGraphMl,
  'patch.dot': patchDot,
};

/**
 * Make what is taken away of a job.
 * @param root folder of the program, where its fonts are
 * @param today what stood before the build began, for what is about the build; null: nothing
 * @throws Refusal when the words ask for what it does not have
 */
export const makeTakeaway = async (
  id: TakeawayId,
  job: Job,
  words: TakeawayWords,
  root: string,
  today: Job | null = null,
): Promise<string | Uint8Array> => MAKES[id](job, words, root, today);
