import { cordsCsv } from '../core/formats/cordsCsv';
import { elevationSvg } from '../core/formats/elevationSvg';
import { gearFileSchema } from '../core/formats/gearFile';
import { jobFileSchema, writeJobFile } from '../core/formats/jobFile';
import { patchDot, patchGraphMl } from '../core/formats/patchGraph';
import { portMapCsv } from '../core/formats/portMap';
import { portMapSvg } from '../core/formats/portMapSvg';
import { portPlanCsv } from '../core/formats/portPlanCsv';
import { pullSheetCsv } from '../core/formats/pullSheetCsv';
import { runsCsv } from '../core/formats/runsCsv';
import type { Job } from '../core/job/job';
import { readLabelOptions } from '../core/labels/labelOptions';
import { labelPages } from '../core/labels/labelPages';
import { readGathering } from '../core/patching/gatherRuns';
import { elevationPng } from '../print/elevationPng';
import { holeCardPdf } from '../print/holeCardPdf';
import { labelsPdf } from '../print/labelsPdf';
import { labelsSvg } from '../print/labelsSvg';
import { loomPdf } from '../print/loomPdf';
import { portMapPdf } from '../print/portMapPdf';
import { terminationPdf } from '../print/terminationPdf';
import { wallPdf } from '../print/wallPdf';

type JobFile = { type: string; make: (job: Job, address: URL) => string | Promise<Uint8Array> };

const CSV = 'text/csv; charset=utf-8';
const PDF = 'application/pdf';
const SVG = 'image/svg+xml; charset=utf-8';

/** Labels as the address asks for them. A code leads to the trace of its run on the host that was asked. */
function labelsFor(job: Job, { searchParams, origin }: URL) {
  const word = (name: string) => searchParams.get(name) ?? undefined;
  const codeFor = word('code') === '1' ? `${origin}/jobs/${job.id}/runs?trace=` : undefined;
  const given = { kind: word('kind'), sheet: word('sheet'), own: word('own'), codeFor, runs: word('runs') };
  const set = Object.fromEntries(Object.entries(given).filter(([, value]) => value !== undefined));
  return labelPages(job, readLabelOptions(set));
}

const pageOf = ({ searchParams }: URL): number | undefined => {
  const page = Number(searchParams.get('page'));
  return Number.isInteger(page) && page > 0 ? page : undefined;
};

const gatheringOf = ({ searchParams }: URL) =>
  readGathering({ by: searchParams.get('by') ?? undefined, show: searchParams.get('of') ?? undefined });

/** What can be taken away of a job, by file name. */
export const JOB_FILES: Record<string, JobFile> = {
  'port-map.csv': { type: CSV, make: portMapCsv },
  'runs.csv': { type: CSV, make: runsCsv },
  'pull-sheet.csv': { type: CSV, make: pullSheetCsv },
  'elevation.svg': { type: SVG, make: elevationSvg },
  'elevation.png': { type: 'image/png', make: (job) => elevationPng(job, process.cwd()) },
  'hole-card.pdf': { type: PDF, make: (job) => holeCardPdf(job, process.cwd()) },
  'wall.pdf': { type: PDF, make: (job) => wallPdf(job, process.cwd()) },
  'labels.svg': { type: SVG, make: (job, address) => labelsSvg(labelsFor(job, address), pageOf(address)) },
  'labels.pdf': {
    type: PDF,
    make: (job, address) => labelsPdf(labelsFor(job, address), `Labels of ${job.name}`, process.cwd()),
  },
  'port-map.pdf': { type: PDF, make: (job) => portMapPdf(job, process.cwd()) },
  'port-map.svg': { type: SVG, make: (job, address) => portMapSvg(job, gatheringOf(address)) },
  'loom.pdf': { type: PDF, make: (job, address) => loomPdf(job, gatheringOf(address), process.cwd()) },
  'cords.csv': { type: CSV, make: cordsCsv },
  'port-plan.csv': { type: CSV, make: portPlanCsv },
  'patch.graphml': { type: 'application/graphml+xml; charset=utf-8', make: patchGraphMl },
  'patch.dot': { type: 'text/vnd.graphviz; charset=utf-8', make: patchDot },
  'termination.pdf': { type: PDF, make: (job) => terminationPdf(job, process.cwd()) },
  'job.json': { type: 'application/json; charset=utf-8', make: writeJobFile },
};

export const SCHEMAS: Record<string, () => object> = { 'job.json': jobFileSchema, 'gear.json': gearFileSchema };

/** A file name made of the job's name, safe on every system. */
export function fileName(job: Job, file: string): string {
  const stem = job.name
    .normalize('NFKD')
    .replace(/[^\w]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .toLowerCase();
  return `${stem || 'job'}-${file}`;
}
