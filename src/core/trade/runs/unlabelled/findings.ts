import { groupBy } from '../../../base/text/groupBy';
import { naturalOrder } from '../../../base/text/naturalOrder';
import { sameKey } from '../../../base/text/sameKey';
import { applyCommands } from '../../../job/commands/apply';
import type { Command } from '../../../job/commands/commands';
import type { Job } from '../../../job/document/job';
import type { Jack } from '../../../job/records/jack';
import { isUntraced, type Run } from '../../../job/records/run';
import { planLabels, type Scheme } from '../../labels/labelScheme';

export type JackFinding = {
  jack: Jack;
  state: 'not asked' | 'found' | 'silent' | 'contradiction' | 'labelled';
  /** The cables that answered. */
  runs: Run[];
  /** Any of it was made up by the simulated tone set. */
  simulated: boolean;
  /** Why it is a contradiction, in words. */
  why: string | null;
};

const placeKey = (row: { floor: string; room: string; outlet: string }) =>
  [row.floor, row.room, row.outlet].map(sameKey).join(':');

/** What is known of every jack, from what was heard. */
export function jackFindings(job: Job): JackFinding[] {
  const tones = Object.values(job.tones);
  const jacksOfRun = new Map<string, Set<string>>();
  for (const { runId, jackId } of tones) {
    if (runId !== null) jacksOfRun.set(runId, (jacksOfRun.get(runId) ?? new Set()).add(jackId));
  }
  const foundAt = groupBy(
    Object.values(job.runs).filter((run) => run.origin === 'found' && !isUntraced(run)),
    placeKey,
  );
  return Object.values(job.jacks)
    .sort((a, b) => naturalOrder(placeKey(a), placeKey(b)))
    .map((jack): JackFinding => {
      const heard = tones.filter((tone) => tone.jackId === jack.id);
      const simulated = heard.some((tone) => tone.simulated);
      const runs = [...new Set(heard.flatMap((tone) => tone.runId ?? []))].flatMap((id) => job.runs[id] ?? []);
      if (heard.length === 0) {
        // A cable that is known to end there needs no walk.
        const known = foundAt.get(placeKey(jack)) ?? [];
        return { jack, state: known.length > 0 ? 'labelled' : 'not asked', runs: known, simulated, why: null };
      }
      const [run] = runs;
      if (!run) return { jack, state: 'silent', runs, simulated, why: null };
      if (runs.length > 1) {
        return {
          jack,
          state: 'contradiction',
          runs,
          simulated,
          why: `${runs.map((one) => one.label).join(' and ')} both answered: they touch each other, or one was misread.`,
        };
      }
      const others = [...(jacksOfRun.get(run.id) ?? [])]
        .filter((id) => id !== jack.id)
        .flatMap((id) => job.jacks[id] ?? []);
      if (others.length > 0) {
        const where = others.map((one) => [one.room, one.outlet].filter(Boolean).join(' ')).join(' and ');
        return { jack, state: 'contradiction', runs, simulated, why: `${run.label} answered at ${where} as well.` };
      }
      if (heard.some((tone) => tone.runId === null)) {
        return {
          jack,
          state: 'contradiction',
          runs,
          simulated,
          why: `${run.label} answered once and was silent once.`,
        };
      }
      const labelled = placeKey(run) === placeKey(jack);
      return { jack, state: labelled ? 'labelled' : 'found', runs, simulated, why: null };
    });
}

/** Found cables that no jack has answered for yet. */
export function openRuns(job: Job): Run[] {
  const answered = new Set(Object.values(job.tones).flatMap((tone) => tone.runId ?? []));
  return Object.values(job.runs)
    .filter((run) => isUntraced(run) && !answered.has(run.id))
    .sort((a, b) => naturalOrder(a.label, b.label));
}

/**
 * The result as one step: every cable that answered at just one jack gets that jack's place, and a label of the
 * scheme. Contradictions and silent jacks stay open.
 */
export function settleCommands(job: Job, scheme: Scheme): Command[] {
  const found = jackFindings(job).filter((finding) => finding.state === 'found');
  const placed: Command[] = found.flatMap(({ jack, runs: [run] }) =>
    run
      ? [
          {
            type: 'editRuns' as const,
            edits: [{ runId: run.id, changes: { floor: jack.floor, room: jack.room, outlet: jack.outlet } }],
          },
        ]
      : [],
  );
  if (placed.length === 0) return [];
  const edits = placed.flatMap((command) => (command.type === 'editRuns' ? command.edits : []));
  const ids = new Set(edits.map((edit) => edit.runId));
  const after = applyCommands(job, placed).job;
  const labels = new Map(planLabels(after, scheme, ids).renames.map(({ runId, to }) => [runId, to]));
  return [
    {
      type: 'editRuns',
      edits: edits.map(({ runId, changes }) => {
        const label = labels.get(runId);
        return { runId, changes: label === undefined ? changes : { ...changes, label } };
      }),
    },
  ];
}
