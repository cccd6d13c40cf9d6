import { z } from 'zod';
import { naturalOrder } from '../../base/text/naturalOrder';
import { refuse } from '../../base/text/refusal';
import type { Job } from '../../job/document/job';
import { indexJob } from '../../job/document/jobIndex';
import { isLive } from '../../job/records/run';
import { type Trace, traceRun } from '../../trade/trace/traceRun';
import { findSnags } from '../snags/findSnags';

export const GATHERED_BY = ['room', 'floor', 'bundle', 'network', 'switch', 'panel'] as const;
export type GatheredBy = (typeof GATHERED_BY)[number];
export const SHOWN_RUNS = ['all', 'snags', 'unpatched', 'spare', 'critical'] as const;
export type ShownRuns = (typeof SHOWN_RUNS)[number];
/** How runs are gathered, and which of them are shown. */
export type Gathering = { by: GatheredBy; show: ShownRuns };

const Given = z.strictObject({ by: z.enum(GATHERED_BY).default('room'), show: z.enum(SHOWN_RUNS).default('all') });

/** How to gather as it was asked for, what is left out as usual. @throws Refusal with the words that are known */
export function readGathering(given: { by?: string | undefined; show?: string | undefined }): Gathering {
  const read = Given.safeParse(Object.fromEntries(Object.entries(given).filter(([, value]) => value !== undefined)));
  if (read.success) return read.data;
  const [issue] = read.error.issues;
  return refuse('options', `${issue?.path.join('.')}: ${issue?.message}.`);
}

/** Runs that follow one another and start from the same outlet. */
export type Fork = [Trace, ...Trace[]];
export type GatheredRuns = { key: string; words: string; forks: Fork[] };

function isShown(show: ShownRuns, { run, landing, cord }: Trace, withSnags: ReadonlySet<string>): boolean {
  if (show === 'snags') return withSnags.has(run.id);
  if (show === 'unpatched') return landing !== null && cord === null && isLive(run);
  if (show === 'spare') return !isLive(run);
  return show === 'all' || run.critical;
}

function groupOf(by: GatheredBy, { run, network, device, panel }: Trace): { key: string; words: string } {
  const named = (name: string | undefined, otherwise: string) => ({
    key: name || `~${otherwise}`,
    words: name || otherwise,
  });
  if (by === 'room') {
    const key = [run.floor, run.room].filter(Boolean).join(', ') || 'no room';
    return { key, words: run.room || key };
  }
  if (by === 'floor') return named(run.floor, 'no floor');
  if (by === 'bundle') return named(run.bundle, 'no bundle');
  if (by === 'network') return named(network?.name, 'no network');
  return by === 'switch' ? named(device?.name, 'not patched') : named(panel?.name, 'not landed');
}

function forksOf(traces: Trace[]): Fork[] {
  const forks: Fork[] = [];
  for (const trace of traces) {
    const last = forks.at(-1);
    const { outlet, room } = trace.run;
    if (last && outlet !== '' && last[0].run.outlet === outlet && last[0].run.room === room) last.push(trace);
    else forks.push([trace]);
  }
  return forks;
}

/** Runs in groups, each with its trace. Rooms come as their first run does; what is counted or named is put in order. */
export function gatherRuns(job: Job, { by, show }: Gathering): GatheredRuns[] {
  const withSnags = new Set(show === 'snags' ? findSnags(job).flatMap((snag) => snag.runIds) : []);
  const groups = new Map<string, { words: string; traces: Trace[] }>();
  for (const run of indexJob(job).runsInOrder) {
    const trace = traceRun(job, run);
    if (!isShown(show, trace, withSnags)) continue;
    const { key, words } = groupOf(by, trace);
    const group = groups.get(key) ?? { words, traces: [] };
    group.traces.push(trace);
    groups.set(key, group);
  }
  const gathered = [...groups].map(([key, { words, traces }]) => ({ key, words, forks: forksOf(traces) }));
  return by === 'room' ? gathered : gathered.sort((a, b) => naturalOrder(a.key, b.key));
}
