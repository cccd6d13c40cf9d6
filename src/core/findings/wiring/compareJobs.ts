import { naturalOrder } from '../../base/text/naturalOrder';
import { diffJobs, isComing, isFieldChange } from '../../job/document/change';
import { changeLine } from '../../job/document/changeWords';
import type { Job } from '../../job/document/job';
import { indexJob } from '../../job/document/jobIndex';
import { type TableName, tableOf } from '../../job/document/tables';
import { type Face, sideOf } from '../../job/records/placement';
import { traceRun } from '../../trade/trace/traceRun';

/** What became of something between two versions. */
export type Fate = 'came' | 'gone' | 'moved' | 'changed';

/** Differences of one table, in words. */
export type TableDifferences = { table: TableName | null; title: string; lines: string[] };

/** The ends of a strand: where it is landed and where it is patched; null where it is not. */
export type StrandEnds = { panel: string | null; device: string | null };
export type StrandDifference = {
  runId: string;
  label: string;
  fate: Fate;
  was: StrandEnds | null;
  is: StrandEnds | null;
};

export type Comparison = {
  tables: TableDifferences[];
  /** What became of devices, by id; those that are as they were are not among them. */
  gear: ReadonlyMap<string, Fate>;
  strands: StrandDifference[];
};

const wordsOf = (table: TableName | null): string => {
  if (table === null) return 'The job';
  const { many } = tableOf(table);
  return many.charAt(0).toUpperCase() + many.slice(1);
};

function byTable(before: Job, after: Job): TableDifferences[] {
  const groups = new Map<TableName | null, string[]>();
  for (const change of diffJobs(before, after)) {
    // A record that goes is named by what it was called then.
    const named = isComing(change) || isFieldChange(change) ? after : before;
    const line = changeLine(named, change);
    groups.set(change.table, [...(groups.get(change.table) ?? []), line]);
  }
  return [...groups].map(([table, lines]) => ({ table, title: wordsOf(table), lines }));
}

function gearFates(before: Job, after: Job): Map<string, Fate> {
  const [was, is] = [indexJob(before), indexJob(after)];
  const fates = new Map<string, Fate>();
  const placeOf = (index: typeof was, id: string): string => {
    const place = index.placementOfGear.get(id);
    if (place) return [place.rackId, place.bottomU, sideOf(place.face as Face), place.face].join();
    return index.carrierOfGear.get(id) ?? '';
  };
  for (const id of new Set([...Object.keys(before.gear), ...Object.keys(after.gear)])) {
    const [old, now] = [before.gear[id], after.gear[id]];
    const [from, to] = [placeOf(was, id), placeOf(is, id)];
    // One that lay beside the cabinet comes into it, or goes out of it.
    if (!old || (now && from === '' && to !== '')) fates.set(id, 'came');
    else if (!now || (from !== '' && to === '')) fates.set(id, 'gone');
    else if (from !== to) fates.set(id, 'moved');
    else if (diffJobs({ ...before, gear: { [id]: old } }, { ...before, gear: { [id]: now } }).length > 0)
      fates.set(id, 'changed');
  }
  return fates;
}

function endsOf(job: Job, runId: string): StrandEnds | null {
  const run = job.runs[runId];
  if (!run) return null;
  const { landing, panel, cord, device } = traceRun(job, run);
  return {
    panel: landing && panel ? `${panel.name} ${landing.port}` : null,
    device: cord && device ? `${device.name} ${cord.switchPort}` : null,
  };
}

function strandDifferences(before: Job, after: Job): StrandDifference[] {
  const strands: StrandDifference[] = [];
  for (const runId of new Set([...Object.keys(before.runs), ...Object.keys(after.runs)])) {
    const [was, is] = [endsOf(before, runId), endsOf(after, runId)];
    if (was && is && was.panel === is.panel && was.device === is.device) continue;
    const label = (after.runs[runId] ?? before.runs[runId])?.label ?? runId;
    strands.push({ runId, label, fate: !was ? 'came' : !is ? 'gone' : 'moved', was, is });
  }
  return strands.sort((a, b) => naturalOrder(a.label, b.label));
}

/** What differs between two versions of a job: in words, in the cabinet and in the loom. */
export const compareJobs = (before: Job, after: Job): Comparison => ({
  tables: byTable(before, after),
  gear: gearFates(before, after),
  strands: strandDifferences(before, after),
});
