import { renewCommand } from '@/core/job/commands/renewCommand';
import { readJobRecords } from '@/core/job/document/readJobRecords';
import { SCHEMA_VERSION } from '@/core/job/document/step';
import type { Outbox } from './outbox';
import type { Entry, KeptJob } from './shelves';

/** What is kept without a number was kept by a version of the program that kept none. */
const FIRST_NUMBERED = 6;

const renewEntry = <E extends Entry>(entry: E): E => ({
  ...entry,
  commands: entry.commands.map((command) => renewCommand(command) as typeof command),
});

function renewJob(kept: KeptJob): KeptJob {
  const version = kept.schema ?? FIRST_NUMBERED;
  if (version >= SCHEMA_VERSION) return kept;
  return { ...kept, opened: { ...kept.opened, job: readJobRecords({ ...kept.opened.job }, version) } };
}

/** An outbox that gives what an earlier version of the program put into it as this version would have. */
export const renewing = (outbox: Outbox): Outbox => ({
  ...outbox,
  list: async () => (await outbox.list()).map(renewEntry),
  listAside: async () => (await outbox.listAside()).map(renewEntry),
  keptJob: async () => {
    const kept = await outbox.keptJob();
    return kept && renewJob(kept);
  },
  keepJob: (opened) => outbox.keepJob(opened, SCHEMA_VERSION),
});
