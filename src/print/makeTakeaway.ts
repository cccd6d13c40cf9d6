import { paperOf } from '../core/base/standards/countries';
import { given } from '../core/base/text/given';
import { careIcs } from '../core/exchange/formats/careIcs';
import { cordsCsv } from '../core/exchange/formats/cordsCsv';
import { elevationSvg } from '../core/exchange/formats/elevationSvg';
import { faultCards } from '../core/exchange/formats/faultCards';
import { writeJobFile } from '../core/exchange/formats/jobFile';
import { kitCsv } from '../core/exchange/formats/kitCsv';
import { outletsCsv } from '../core/exchange/formats/outletsCsv';
import { outletsSvg } from '../core/exchange/formats/outletsSvg';
import { patchDot, patchGraphMl } from '../core/exchange/formats/patchGraph';
import { portMapCsv } from '../core/exchange/formats/portMap';
import { portMapSvg } from '../core/exchange/formats/portMapSvg';
import { portPlanCsv } from '../core/exchange/formats/portPlanCsv';
import { pullSheetCsv } from '../core/exchange/formats/pullSheetCsv';
import { runsCsv } from '../core/exchange/formats/runsCsv';
import type { TakeawayId, TakeawayWords } from '../core/exchange/formats/takeaways';
import { testsCsv } from '../core/exchange/formats/testsCsv';
import { testsJson } from '../core/exchange/formats/testsJson';
import { visitsIcs } from '../core/exchange/formats/visitsIcs';
import type { About, LogLine } from '../core/exchange/handover/about';
import { costCsv, costSections } from '../core/exchange/handover/cost';
import { readPackSections } from '../core/exchange/handover/packSections';
import { readGathering } from '../core/findings/wiring/gatherRuns';
import type { Job } from '../core/job/document/job';
import { type BuildPapers, buildPapers } from '../core/trade/build/buildPapers';
import { outageNotice } from '../core/trade/build/notices';
import { readLabelOptions } from '../core/trade/labels/labelOptions';
import { labelPages } from '../core/trade/labels/labelPages';
import { buildPdf, kitPdf } from './buildPdf';
import { doorPdf } from './doorPdf';
import { elevationPng } from './elevationPng';
import { faultCardsPdf } from './faultCardsPdf';
import { handoverHtml } from './handoverHtml';
import { holeCardPdf } from './holeCardPdf';
import { labelsPdf } from './labelsPdf';
import { labelsSvg } from './labelsSvg';
import { loomPdf } from './loomPdf';
import type { PackFile } from './packNames';
import { packPdf } from './packPdf';
import { packZip } from './packZip';
import { notePage, openPdf } from './pdf';
import { portMapPdf } from './portMapPdf';
import { powerPdf } from './powerPdf';
import { sectionsPdf } from './sectionsPdf';
import { terminationPdf } from './terminationPdf';
import { testsPdf } from './testsPdf';
import { wallPdf } from './wallPdf';

/** What is taken away is made with. */
export type Making = {
  words: TakeawayWords;
  /** Folder of the program, where its fonts are. */
  root: string;
  /** What stood before the build began, for what is about the build; null: nothing. */
  today: Job | null;
  /** Of which state of the job it is. */
  about: About;
  /** Who did what, latest first, where it is known. */
  log: readonly LogLine[];
  /** Files that are kept beside the job, as they are. */
  files: readonly PackFile[];
  /** Small photographs, for the file that answers. */
  small: readonly PackFile[];
};

type Make = (job: Job, making: Making) => string | Promise<Uint8Array>;

/** Seconds for the order of the cut-over. */
const ORDER_S = 5;
const papers = (today: Job | null, job: Job): BuildPapers =>
  buildPapers(today, job, { seed: 1, now: () => performance.now(), untilMs: performance.now() + ORDER_S * 1000 });

const labels = (job: Job, { kind, sheet, own, codeFor, runs }: TakeawayWords) =>
  labelPages(job, readLabelOptions(given({ kind, sheet, own, codeFor, runs })));

/** Labels of runs whose latest test failed; where there is none, a page that says so. */
function failedLabelsPdf(job: Job, { words, root }: Making): Promise<Buffer> {
  const failed = faultCards(job).map(({ runId }) => runId);
  if (failed.length === 0) {
    const pdf = openPdf(`Failed runs of ${job.name}`, root, paperOf(job));
    notePage(pdf, 'No run has failed its latest test.');
    return pdf.finish();
  }
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
  'labels.pdf': (job, { words, root }) => labelsPdf(labels(job, words), `Labels of ${job.name}`, root),
  'labels.svg': (job, { words }) => labelsSvg(labels(job, words), pageOf(words)),
  'elevation.svg': elevationSvg,
  'elevation.png': (job, { root }) => elevationPng(job, root),
  'hole-card.pdf': (job, { root }) => holeCardPdf(job, root),
  'wall.pdf': (job, { root }) => wallPdf(job, root),
  'termination.pdf': (job, { root }) => terminationPdf(job, root),
  'port-map.csv': portMapCsv,
  'port-map.pdf': (job, { root }) => portMapPdf(job, root),
  'port-map.svg': (job, { words }) => portMapSvg(job, readGathering(given({ by: words.by, show: words.show }))),
  'loom.pdf': (job, { words, root }) => loomPdf(job, readGathering(given({ by: words.by, show: words.show })), root),
  'cords.csv': cordsCsv,
  'port-plan.csv': portPlanCsv,
  'power.pdf': (job, { root, about }) => powerPdf(job, root, about.at.slice(0, 10)),
  'outlets.csv': outletsCsv,
  'outlets.svg': outletsSvg,
  'build.pdf': (job, { root, today }) => buildPdf(job, papers(today, job), root),
  'kit.csv': (job, { today }) => kitCsv(papers(today, job).kit),
  'kit.pdf': (job, { root, today }) => kitPdf(job, papers(today, job).kit, root),
  'outage.txt': (job, { today }) => outageNotice(job, papers(today, job).plan),
  'visits.ics': (job, { today, about }) => visitsIcs(job, papers(today, job).plan, about.at.slice(0, 16)),
  'tests.pdf': (job, { root }) => testsPdf(job, root),
  'fault-cards.pdf': (job, { root }) => faultCardsPdf(job, root),
  'failed-labels.pdf': failedLabelsPdf,
  'tests.json': testsJson,
  'tests.csv': testsCsv,
  'handover.html': (job, { root, about, small }) => handoverHtml(job, root, about, small),
  'pack.pdf': (job, { words, root, about, log }) => packPdf(job, root, about, log, readPackSections(words.sections)),
  'pack.zip': packZip,
  'door.pdf': (job, { root, about }) => doorPdf(job, root, about),
  'cost.csv': costCsv,
  'cost.pdf': (job, { root }) =>
    sectionsPdf(`Quotation and account: ${job.name}`, costSections(job), root, paperOf(job)),
  'care.ics': (job, { about }) => careIcs(job, about.at),
  'patch.graphml': patchGraphMl,
  'patch.dot': patchDot,
};

/** Nothing is known but the job itself. */
const BARE: Omit<Making, 'root'> = {
  words: {},
  today: null,
  about: { version: 'A state without a name', at: '1970-01-01T00:00:00Z', address: '' },
  log: [],
  files: [],
  small: [],
};

/**
 * Make what is taken away of a job.
 * @throws Refusal when the words ask for what it does not have
 */
export const makeTakeaway = async (
  id: TakeawayId,
  job: Job,
  making: Partial<Making> & Pick<Making, 'root'>,
): Promise<string | Uint8Array> => MAKES[id](job, { ...BARE, ...making });
