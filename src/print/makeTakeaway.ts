import { cordsCsv } from '../core/formats/cordsCsv';
import { elevationSvg } from '../core/formats/elevationSvg';
import { writeJobFile } from '../core/formats/jobFile';
import { outletsCsv } from '../core/formats/outletsCsv';
import { outletsSvg } from '../core/formats/outletsSvg';
import { patchDot, patchGraphMl } from '../core/formats/patchGraph';
import { portMapCsv } from '../core/formats/portMap';
import { portMapSvg } from '../core/formats/portMapSvg';
import { portPlanCsv } from '../core/formats/portPlanCsv';
import { pullSheetCsv } from '../core/formats/pullSheetCsv';
import { runsCsv } from '../core/formats/runsCsv';
import type { TakeawayId, TakeawayWords } from '../core/formats/takeaways';
import type { Job } from '../core/job/job';
import { readLabelOptions } from '../core/labels/labelOptions';
import { labelPages } from '../core/labels/labelPages';
import { readGathering } from '../core/loom/gatherRuns';
import { given } from '../core/text/given';
import { elevationPng } from './elevationPng';
import { holeCardPdf } from './holeCardPdf';
import { labelsPdf } from './labelsPdf';
import { labelsSvg } from './labelsSvg';
import { loomPdf } from './loomPdf';
import { portMapPdf } from './portMapPdf';
import { powerPdf } from './powerPdf';
import { terminationPdf } from './terminationPdf';
import { wallPdf } from './wallPdf';

/** @param root folder of the program, where its fonts are */
type Make = (job: Job, words: TakeawayWords, root: string) => string | Promise<Uint8Array>;

const labels = (job: Job, { kind, sheet, own, codeFor, runs }: TakeawayWords) =>
  labelPages(job, readLabelOptions(given({ kind, sheet, own, codeFor, runs })));

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
  'patch.graphml': patchGraphMl,
  'patch.dot': patchDot,
};

/**
 * Make what is taken away of a job.
 * @param root folder of the program, where its fonts are
 * @throws Refusal when the words ask for what it does not have
 */
export const makeTakeaway = async (
  id: TakeawayId,
  job: Job,
  words: TakeawayWords,
  root: string,
): Promise<string | Uint8Array> => MAKES[id](job, words, root);
