import { readFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { readCsvTable } from '../../src/core/exchange/formats/csvTable';
import { readGearFile } from '../../src/core/exchange/formats/gearFile';
import { readJobFile } from '../../src/core/exchange/formats/jobFile';
import { importCommand, previewRuns } from '../../src/core/exchange/formats/previewRuns';
import { applyCommands } from '../../src/core/job/commands/apply';
import type { Command } from '../../src/core/job/commands/commands';
import type { RunChanges } from '../../src/core/job/commands/runs';
import { emptyJob, type Job } from '../../src/core/job/document/job';
import { Gear } from '../../src/core/job/records/gear';
import { Rack } from '../../src/core/job/records/rack';
import { guessColumns } from '../../src/core/trade/runs/runColumns';

const root = resolve(import.meta.dirname, '../..');
export const projectText = (file: string) => readFileSync(join(root, file), 'utf8');
export const demoFolder = join(root, 'demo');
export const demoText = (file: string) => projectText(join('demo', file));

/** Ids in a row, so that tests are the same every time. */
export function counter(prefix = 'id') {
  let count = 0;
  return () => `${prefix}-${++count}`;
}

/** The demo site: its rack, gear and runs, nothing placed yet. */
export function quillback(): Job {
  const { racks, gear } = readGearFile(demoText('quillback-gear.json'));
  const start = applyCommands(emptyJob({ id: 'job', name: 'Quillback', rules: 'united-kingdom' }), [
    ...racks.map((rack) => ({ type: 'addRack' as const, rack })),
    { type: 'addGear', gear },
  ]).job;
  const table = readCsvTable(demoText('quillback-runs.csv'));
  const command = importCommand(previewRuns(start, table, guessColumns(table.header, 'metric')), counter('run'));
  return command ? applyCommands(start, [command]).job : start;
}

export const apply = (job: Job, ...commands: Command[]): Job => applyCommands(job, commands).job;

const PORTS = {
  panel: [{ count: 24, connector: 'keystone' }],
  switch: [
    { count: 8, connector: 'rj45', speedMbps: 1000, poeW: 30 },
    { count: 2, connector: 'sfp+', speedMbps: 10_000 },
  ],
};

/** A cool place with thick cords and nothing to spare: figures come out as their sources have them. */
const PLAIN = { 'route-c': '20', 'cord-awg': '24', 'pull-spare': '0', 'mains-volts': '230', 'mains-amps': '16' };

/** A bench: a 12U rack that cables enter above the panel's left end, a panel in U12, a small switch in U11, and runs by label with the fields given. */
export function bench(runs: Record<string, RunChanges> = {}, gear: Partial<Gear> = {}, rack: Partial<Rack> = {}): Job {
  const one = (fields: object) => Gear.parse({ heightU: 1, depthMm: 100, massKg: 0, powerW: 0, ...fields });
  const job = apply(
    emptyJob({ id: 'bench', name: 'Bench', units: 'metric' }),
    {
      type: 'keepRows',
      rows: Object.entries(PLAIN).map(([id, value]) => ({ table: 'answers', record: { id, value, note: '' } })),
    },
    {
      type: 'addRack',
      rack: Rack.parse({
        id: 'rack',
        name: 'Rack',
        units: 12,
        depthMm: 400,
        entryDepthMm: 100,
        entryAcrossMm: 0,
        ...rack,
      }),
    },
    {
      type: 'addGear',
      gear: [
        one({ id: 'panel', name: 'Panel', kind: 'panel', ports: PORTS.panel }),
        one({ id: 'switch', name: 'Switch', kind: 'switch', poeBudgetW: 100, ports: PORTS.switch, ...gear }),
      ],
    },
    { type: 'placeGear', gearId: 'panel', rackId: 'rack', bottomU: 12 },
    { type: 'placeGear', gearId: 'switch', rackId: 'rack', bottomU: 11 },
  );
  const entries = Object.entries(runs).map(([label, fields]) => ({ ...fields, label, id: `run-${label}` }));
  return entries.length > 0 ? apply(job, { type: 'addRuns', runs: entries }) : job;
}

/** Land runs of a bench on the panel in the order given, and patch each to the switch port of the same number. */
export function patched(job: Job, ...labels: string[]): Job {
  return apply(
    job,
    {
      type: 'landRuns',
      landings: labels.map((label, at) => ({ runId: `run-${label}`, panelId: 'panel', port: at + 1 })),
    },
    {
      type: 'patchPorts',
      cords: labels.map((_, at) => ({
        panelId: 'panel',
        panelPort: at + 1,
        switchId: 'switch',
        switchPort: at + 1,
        fixed: true,
      })),
    },
  );
}

/** The demo site with its survey: plan, wishes, answers, boxes and pathways. */
export const surveyed = (): Job =>
  apply(quillback(), { type: 'keepRows', rows: JSON.parse(demoText('quillback-site.json')).rows });

/** The demo house whose inherited cables nobody labelled. */
export const marrowby = (): Job => readJobFile(demoText('marrowby-job.json'));

/** The demo office with two switches and a map that grew by itself. */
export const tarnbrook = (): Job => readJobFile(demoText('tarnbrook-job.json'));

/** The demo of a stranger's list: long names, odd signs, twice as much as fits, hardly anything filled in. */
export const ostermoor = (when: 'today' | 'plan'): Job => readJobFile(demoText(`ostermoor-${when}.json`));

/** A stranger's untidy job. */
export const schnuerlbach = (): Job => readJobFile(demoText('schnuerlbach-job.json'));
