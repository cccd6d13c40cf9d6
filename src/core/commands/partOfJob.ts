import { produce } from 'immer';
import type { Job } from '../job/job';
import { rowsOf, TABLE_NAMES, type TableName, tableRow } from '../job/tables';
import type { Command } from './commands';
import { removeRows } from './removeRows';
import { rowCommands } from './rowCommands';

/** What was done and found on the site, and what stands beside one building only. */
const DONE: readonly TableName[] = [
  'ticks',
  'results',
  'terminations',
  'tones',
  'vouches',
  'mends',
  'kitItems',
  'addresses',
  'acceptances',
  'cutovers',
  'visits',
  'upHours',
  'orderPins',
  'stopgaps',
  'careItems',
];
/** What a cabinet takes with it to another building, and what a firm always works by. */
const CABINET: readonly TableName[] = [
  'racks',
  'gear',
  'placements',
  'shelvings',
  'networks',
  'portNetworks',
  'uplinks',
  'cableKinds',
  'allowances',
  'testers',
  'partOdds',
];

/** Tables of what a firm works by, whatever the building. */
const FIRMS_OWN = ['cableKinds', 'allowances', 'testers'] as const satisfies readonly TableName[];
const OWN_WORDS: Record<(typeof FIRMS_OWN)[number], string> = {
  cableKinds: 'Kinds of cable',
  allowances: 'Allowances of length',
  testers: 'Testers',
};

/** What of a template a job does not have so, a table each: with the commands that would take it over. */
export function templateCommands(job: Job, template: Job): { words: string; commands: Command[] }[] {
  return FIRMS_OWN.flatMap((table) => {
    const rows = Object.values(rowsOf(template, table)).map((record) => tableRow(table, record));
    const commands = rowCommands(job, rows);
    return commands.length === 0 ? [] : [{ words: OWN_WORDS[table], commands }];
  });
}

const without = (job: Job, drop: (draft: Job) => void): Job => produce(job, drop);

/**
 * A new job from one that is there.
 * @param whole the whole plan, without what was done; else the cabinet, its networks and kinds of cable only
 */
export const copyOfJob = (job: Job, { id, name, whole }: { id: string; name: string; whole: boolean }): Job => ({
  ...without(job, (draft) => {
    const gone = whole ? DONE : TABLE_NAMES.filter((table) => !CABINET.includes(table));
    for (const table of gone) removeRows(draft, table, Object.keys(rowsOf(job, table)), job);
  }),
  id,
  name,
});

/** One cabinet with what ends in it: its gear, and the runs that are landed there. */
export function cabinetOfJob(job: Job, rackId: string): Job {
  const gear = new Set(Object.values(job.placements).flatMap((one) => (one.rackId === rackId ? [one.gearId] : [])));
  for (const { gearId, carrierId } of Object.values(job.shelvings)) if (gear.has(carrierId)) gear.add(gearId);
  const runs = new Set(Object.values(job.landings).flatMap((one) => (gear.has(one.panelId) ? [one.runId] : [])));
  return without(job, (draft) => {
    const drop = (table: TableName, keep: (id: string) => boolean) =>
      removeRows(
        draft,
        table,
        Object.keys(rowsOf(job, table)).filter((one) => !keep(one)),
        job,
      );
    drop('racks', (one) => one === rackId);
    drop('gear', (one) => gear.has(one));
    drop('runs', (one) => runs.has(one));
    for (const table of PRIVATE) drop(table, () => false);
  });
}

/** What is between a firm and its client. */
const PRIVATE: readonly TableName[] = [
  'contacts',
  'openPoints',
  'wishes',
  'answers',
  'floors',
  'kitItems',
  'careItems',
];
