import { createHash } from 'node:crypto';
import { strToU8, type Zippable, zipSync } from 'fflate';
import { careIcs } from '../core/exchange/formats/careIcs';
import { cordsCsv } from '../core/exchange/formats/cordsCsv';
import { elevationSvg } from '../core/exchange/formats/elevationSvg';
import { floorPlanSvgs } from '../core/exchange/formats/floorPlanSvg';
import { writeJobFile } from '../core/exchange/formats/jobFile';
import { outletsCsv } from '../core/exchange/formats/outletsCsv';
import { outletsSvg } from '../core/exchange/formats/outletsSvg';
import { patchDot, patchGraphMl } from '../core/exchange/formats/patchGraph';
import { portMapCsv } from '../core/exchange/formats/portMap';
import { portMapSvg } from '../core/exchange/formats/portMapSvg';
import { portPlanCsv } from '../core/exchange/formats/portPlanCsv';
import { pullSheetCsv } from '../core/exchange/formats/pullSheetCsv';
import { runsCsv } from '../core/exchange/formats/runsCsv';
import { testsCsv } from '../core/exchange/formats/testsCsv';
import { testsJson } from '../core/exchange/formats/testsJson';
import type { About } from '../core/exchange/handover/about';
import { readGathering } from '../core/findings/wiring/gatherRuns';
import type { Job } from '../core/job/document/job';
import { handoverHtml } from './handoverHtml';
import { JOB_IN_PACK, MANIFEST, type PackFile } from './packNames';
import { sealed } from './packSeal';

/** A name that every system takes, each once. */
function freeName(name: string, taken: ReadonlySet<string>): string {
  const plain =
    name
      .normalize('NFC')
      .replace(/[^\p{L}\p{N}. _-]+/gu, '_')
      .replace(/\.{2,}/g, '.')
      .replace(/^[. ]+/, '_')
      .slice(0, 100) || 'file';
  if (!taken.has(plain.toLowerCase())) return plain;
  const dot = plain.lastIndexOf('.');
  const [stem, ending] = dot > 0 ? [plain.slice(0, dot), plain.slice(dot)] : [plain, ''];
  let at = 2;
  while (taken.has(`${stem} ${at}${ending}`.toLowerCase())) at += 1;
  return `${stem} ${at}${ending}`;
}

/** Everything of a job as open files, in one archive with a manifest of sizes and sums. */
export async function packZip(
  job: Job,
  { root, about, files, small }: { root: string; about: About; files: readonly PackFile[]; small: readonly PackFile[] },
): Promise<Uint8Array> {
  const texts: Record<string, string> = {
    [JOB_IN_PACK]: writeJobFile(job),
    'handover.html': handoverHtml(job, root, about, small),
    'lists/runs.csv': runsCsv(job),
    'lists/port-map.csv': portMapCsv(job),
    'lists/cords.csv': cordsCsv(job),
    'lists/port-plan.csv': portPlanCsv(job),
    'lists/outlets.csv': outletsCsv(job),
    'lists/pull-sheet.csv': pullSheetCsv(job),
    'lists/tests.csv': testsCsv(job),
    'lists/tests.json': testsJson(job),
    'lists/care.ics': careIcs(job, about.at),
    'drawings/elevation.svg': elevationSvg(job),
    'drawings/outlets.svg': outletsSvg(job),
    'drawings/port-map.svg': portMapSvg(job, readGathering({})),
    'drawings/wiring.graphml': patchGraphMl(job),
    'drawings/wiring.dot': patchDot(job),
  };
  const taken = new Set<string>();
  for (const { name, svg } of floorPlanSvgs(job)) {
    const free = freeName(`plan ${name}.svg`, taken);
    taken.add(free.toLowerCase());
    texts[`drawings/${free}`] = svg;
  }
  texts['README.txt'] = readme(
    job,
    about,
    files.filter(({ kind }) => kind !== 'photo').length,
    files.filter(({ kind }) => kind === 'photo').length,
  );
  const all: Record<string, Uint8Array> = Object.fromEntries(
    Object.entries(texts).map(([name, text]) => [name, strToU8(text)]),
  );
  taken.clear();
  for (const { name, bytes, kind } of files) {
    const free = freeName(kind === 'photo' && !/\.jpe?g$/i.test(name) ? `${name}.jpg` : name, taken);
    taken.add(free.toLowerCase());
    all[`${kind === 'photo' ? 'photographs' : 'tests'}/${free}`] = bytes;
  }
  all[MANIFEST] = strToU8(writeManifest(all, job, about));
  // The same bytes from the same job: the time within is that of the state, not of the clock.
  const mtime = new Date(Math.max(Date.UTC(1980, 0, 2), Date.parse(about.at) || 0));
  const entries: Zippable = Object.fromEntries(
    Object.entries(all).map(([name, bytes]) => [name, [bytes, { mtime, level: 6 }]]),
  );
  return sealed(zipSync(entries));
}

function writeManifest(all: Readonly<Record<string, Uint8Array>>, job: Job, about: About): string {
  const files = Object.entries(all)
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([name, bytes]) => ({
      name,
      bytes: bytes.byteLength,
      sha256: createHash('sha256').update(bytes).digest('hex'),
    }));
  return `${JSON.stringify({ format: 'good-shelf-pack', version: 1, job: job.name, state: about.version, at: about.at, files }, null, 2)}\n`;
}

const readme = (job: Job, about: About, tests: number, photographs: number): string =>
  [
    job.name,
    `${about.version}, ${about.at.slice(0, 10)}`,
    '',
    'handover.html   open it in any browser, on a phone too: where does this go? No network is needed.',
    'job.json        the whole job; Good Shelf starts from it again.',
    'lists/          the same as tables, for any spreadsheet; dates of care for a calendar.',
    'drawings/       cabinet, floors, outlets and wiring; open formats.',
    ...(photographs > 0
      ? ['photographs/    photographs of places, runs, gear, steps and faults, without place data.']
      : []),
    ...(tests > 0 ? ['tests/          files of testers and readings of switches, as they were given.'] : []),
    'manifest.json   size and SHA-256 sum of each file.',
    '',
    'Passwords and keys are not in here.',
    'Local codes and licensed practice go before everything that is written here.',
    '',
  ].join('\n');
