import { naturalOrder } from '../../base/text/naturalOrder';
import { sameKey } from '../../base/text/sameKey';
import type { Command } from '../../job/commands/commands';
import type { Job } from '../../job/document/job';
import { indexJob } from '../../job/document/jobIndex';
import { portKey } from '../../job/records/portKey';
import type { Run } from '../../job/records/run';
import { panelsInOrder } from '../panels/panelsInOrder';
import { answerOf } from '../survey/answers/answers';
import { roomKey, siteOf } from '../survey/answers/site';

export type Scheme = 'numbers' | 'place' | 'telecom';
export type LabelPlan = {
  renames: { runId: string; from: string; to: string }[];
  left: { runId: string; why: string }[];
};

/** Runs as a person walks past them: floor by floor, room by room, outlet by outlet. */
export function runsByPlace(job: Job, runs: readonly Run[] = indexJob(job).runsInOrder): Run[] {
  const { floorByName } = siteOf(job);
  const level = (run: Run) => floorByName.get(sameKey(run.floor))?.level ?? 0;
  return [...runs].sort(
    (a, b) =>
      level(a) - level(b) ||
      naturalOrder(a.floor, b.floor) ||
      naturalOrder(a.room, b.room) ||
      naturalOrder(a.outlet, b.outlet) ||
      naturalOrder(a.label, b.label),
  );
}

const letters = (text: string) => text.normalize('NFKD').replace(/[^\p{L}\p{N}]/gu, '');

/** A short code that no other name has: the first three letters, and a number where they repeat. */
function codesFor(names: Iterable<string>, given: ReadonlyMap<string, string>): Map<string, string> {
  const codes = new Map<string, string>();
  const taken = new Set<string>();
  for (const name of names) {
    const wanted = given.get(name) || letters(name).slice(0, 3).toUpperCase() || 'X';
    let code = wanted;
    for (let number = 2; taken.has(code); number++) code = `${wanted.slice(0, 3)}${number}`;
    taken.add(code);
    codes.set(name, code);
  }
  return codes;
}

/** `G`, `1`, `B1`: by the floor's level where the plan knows it, else by the letters of its name. */
function floorCode(job: Job, floor: string): string {
  const known = siteOf(job).floorByName.get(sameKey(floor));
  if (known) return known.level === 0 ? 'G' : known.level > 0 ? String(known.level) : `B${-known.level}`;
  return letters(floor).slice(0, 1).toUpperCase() || 'X';
}

/** 1 is A, 26 is Z, 27 is AA. */
export function letterOf(number: number): string {
  const before = Math.floor((number - 1) / 26);
  return `${before > 0 ? letterOf(before) : ''}${String.fromCharCode(65 + ((number - 1) % 26))}`;
}

function placeLabels(job: Job, runs: readonly Run[]): Map<string, string> {
  const site = siteOf(job);
  const placeOf = (run: Run) => `${sameKey(run.floor)}:${sameKey(run.room)}`;
  const rooms = new Map(runs.map((run) => [placeOf(run), run]));
  const given = new Map(
    [...rooms].map(([key, run]) => {
      const floor = site.floorByName.get(sameKey(run.floor));
      return [key, (floor && site.roomByName.get(roomKey(floor.id, run.room))?.code) ?? ''];
    }),
  );
  const byFloor = new Map<string, [string, Run][]>();
  for (const entry of rooms) {
    const floor = sameKey(entry[1].floor);
    byFloor.set(floor, [...(byFloor.get(floor) ?? []), entry]);
  }
  const codes = new Map<string, string>();
  for (const entries of byFloor.values()) {
    const names = new Map(entries.map(([key, run]) => [run.room || 'X', key]));
    const wanted = new Map([...names].map(([name, key]) => [name, given.get(key) ?? '']));
    for (const [name, code] of codesFor(names.keys(), wanted)) codes.set(names.get(name) ?? '', code);
  }
  const outlets = new Map<string, number>();
  const counts = new Map<string, number>();
  const jacks = new Map<string, number>();
  return new Map(
    runs.map((run) => {
      const room = placeOf(run);
      // A run without outlet is one of its own.
      const outlet = `${room}:${run.outlet ? sameKey(run.outlet) : run.id}`;
      if (!outlets.has(outlet)) {
        counts.set(room, (counts.get(room) ?? 0) + 1);
        outlets.set(outlet, counts.get(room) ?? 1);
      }
      const jack = (jacks.get(outlet) ?? 0) + 1;
      jacks.set(outlet, jack);
      return [run.id, `${floorCode(job, run.floor)}-${codes.get(room)}-${outlets.get(outlet)}${letterOf(jack)}`];
    }),
  );
}

/** The lowest numbers that the runs outside the choice leave free. */
function numberLabels(runs: readonly Run[], only: ReadonlySet<string> | undefined): Map<string, string> {
  const width = Math.max(2, String(runs.length).length);
  const taken = new Set(runs.filter((run) => only && !only.has(run.id)).map((run) => sameKey(run.label)));
  let number = 0;
  return new Map(
    runs
      .filter((run) => !only || only.has(run.id))
      .map((run) => {
        let label: string;
        do label = String(++number).padStart(width, '0');
        while (taken.has(label));
        return [run.id, label];
      }),
  );
}

/** `1A-B04`: the space, the panel's letter from the top of the rack down, its port. Runs without a port have none. */
function telecomLabels(job: Job, runs: readonly Run[]): Map<string, string> {
  const { landingOfRun } = indexJob(job);
  const panels = new Map(panelsInOrder(job).map((panel, at) => [panel.id, letterOf(at + 1)]));
  return new Map(
    runs.flatMap((run) => {
      const landing = landingOfRun.get(run.id);
      const panel = landing && panels.get(landing.panelId);
      if (!landing || !panel) return [];
      return [[run.id, `${answerOf(job, 'label-space')}-${panel}${String(landing.port).padStart(2, '0')}`] as const];
    }),
  );
}

/** Runs whose labels are not as the scheme makes them, or are not the only ones of their kind. */
export function breaksScheme(job: Job, scheme: Scheme): ReadonlySet<string> {
  const ordered = runsByPlace(job);
  const seen = new Set<string>();
  const made =
    scheme === 'place' ? placeLabels(job, ordered) : scheme === 'telecom' ? telecomLabels(job, ordered) : null;
  const breaks = ordered.filter((run) => {
    const key = sameKey(run.label);
    if (seen.has(key)) return true;
    seen.add(key);
    if (scheme === 'numbers') return !/^\d+$/.test(run.label);
    const wanted = made?.get(run.id);
    if (wanted === undefined) return false;
    if (scheme === 'telecom') return run.label !== wanted;
    // Floor and room are right, and outlet and jack are counted in some order.
    const place = wanted.replace(/[^-]+$/, '');
    return !run.label.startsWith(place) || !/^\d+[A-Z]+$/.test(run.label.slice(place.length));
  });
  return new Set(breaks.map((run) => run.id));
}

/**
 * Labels of a scheme for runs as they stand now. The same job gives the same labels; no two are alike, and none is one
 * that a run outside the choice has.
 * @param only ids of the runs to rename; all without it
 */
export function planLabels(job: Job, scheme: Scheme, only?: ReadonlySet<string>): LabelPlan {
  const ordered = runsByPlace(job);
  const labels =
    scheme === 'numbers'
      ? numberLabels(ordered, only)
      : scheme === 'place'
        ? placeLabels(job, ordered)
        : telecomLabels(job, ordered);
  const chosen = ordered.filter((run) => !only || only.has(run.id));
  const kept = new Set(ordered.filter((run) => only && !only.has(run.id)).map((run) => sameKey(run.label)));
  const plan: LabelPlan = { renames: [], left: [] };
  for (const run of chosen) {
    const to = labels.get(run.id);
    if (to === undefined)
      plan.left.push({ runId: run.id, why: `${run.label} is not landed, so it has no panel and port to be named by.` });
    else if (to.length > 40)
      plan.left.push({ runId: run.id, why: `${run.label} would become ${to}: longer than 40 characters.` });
    else if (kept.has(sameKey(to)))
      plan.left.push({ runId: run.id, why: `${run.label} would become ${to}, which another run has.` });
    else if (to !== run.label) plan.renames.push({ runId: run.id, from: run.label, to });
  }
  // A label that is kept because its run is left out may be wanted by another run.
  const stays = new Map(plan.left.map(({ runId }) => [sameKey(job.runs[runId]?.label ?? ''), runId]));
  plan.renames = plan.renames.filter(({ runId, from, to }) => {
    const other = stays.get(sameKey(to));
    if (other === undefined || other === runId) return true;
    plan.left.push({ runId, why: `${from} would become ${to}, which another run has.` });
    return false;
  });
  return plan;
}

export const renameCommands = (renames: LabelPlan['renames']): Command[] =>
  renames.length === 0
    ? []
    : [{ type: 'editRuns', edits: renames.map(({ runId, to }) => ({ runId, changes: { label: to } })) }];

/** What carries a run's label beside its two ends, and so changes with it, in words. Landings, cords and cuts stay as they are. */
export function labelBearers(job: Job, runId: string): string[] {
  const index = indexJob(job);
  const run = job.runs[runId];
  if (!run) return [];
  const landing = index.landingOfRun.get(runId);
  const cord = landing && index.cordAtPanelPort.get(portKey(landing.panelId, landing.port));
  const passages = Object.values(job.passages).filter((row) => row.runId === runId);
  return [
    ...(run.outlet ? [`the faceplate of ${[run.room, run.outlet].filter(Boolean).join(', ')}`] : []),
    ...(landing ? [`the strip of ${job.gear[landing.panelId]?.name}, port ${landing.port}`] : []),
    ...(cord ? [`the port plan of ${job.gear[cord.switchId]?.name}, port ${cord.switchPort}`] : []),
    ...(Object.values(job.cuts).some((cut) => cut.runId === runId) ? ['the pull sheet'] : []),
    ...passages.map((row) => `the list of ${job.pathways[row.pathwayId]?.name}`),
  ];
}

/** The next plain numbers after the highest in use, as wide as those are. */
export function nextNumbers(job: Job, count: number): string[] {
  const numbers = Object.values(job.runs).flatMap(({ label }) => (/^\d{1,6}$/.test(label) ? [label] : []));
  const highest = numbers.reduce((most, label) => Math.max(most, Number(label)), 0);
  const width = numbers.reduce((most, label) => Math.max(most, label.length), 2);
  return Array.from({ length: count }, (_, at) => String(highest + at + 1).padStart(width, '0'));
}
