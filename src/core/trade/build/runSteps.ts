import { buildMinutes } from '../../base/standards/buildMinutes';
import { groupBy } from '../../base/text/groupBy';
import { formatLength } from '../../base/units/length';
import type { Job } from '../../job/document/job';
import { indexJob } from '../../job/document/jobIndex';
import type { Landing } from '../../job/records/landing';
import { portKey } from '../../job/records/portKey';
import { portAt } from '../../job/records/ports';
import { isNow, type Run } from '../../job/records/run';
import { cutLengthMm, isToPull } from '../runs/cablePlan';
import type { BuildStep, Turn } from './buildStep';
import { drillCaution } from './stepCautions';
import { type Both, plain, recordsOnly, stepId, turns } from './stepParts';

export function runSteps(both: Both): BuildStep[] {
  const { was, is } = both;
  const index = indexJob(is);
  // What is ticked says so of its run; its step stays, for the minutes that it took.
  const ticked = new Set(Object.values(is.ticks).map(({ step }) => step));
  // What is on a panel today, or was terminated, has been pulled, whatever its state still says.
  const there = new Set([
    ...indexJob(was).landingOfRun.keys(),
    ...Object.values(is.terminations).map((one) => one.runId),
  ]);
  const endedAt = new Set(
    Object.values(is.terminations).flatMap(({ runId, end }) => (end === 'outlet' ? [runId] : [])),
  );
  const pulled = index.runsInOrder.filter(
    (run) => (isToPull(run) && !there.has(run.id)) || ticked.has(stepId('pull', run.id)),
  );
  const ended = index.runsInOrder.filter(
    (run) =>
      (isToPull(run) && !endedAt.has(run.id) && !indexJob(was).landingOfRun.has(run.id)) ||
      ['pull', 'outlet'].some((kind) => ticked.has(`${kind}-${run.id}`)),
  );
  const pulls = pulled.map((run) => {
    const cut = cutLengthMm(is, run);
    return plain({
      id: stepId('pull', run.id),
      kind: 'pull',
      turn: 'in',
      words: `Pull run ${run.label} and label both ends`,
      caution: drillCaution(both.is),
      at: 'room',
      place: roomOf(run),
      runId: run.id,
      parts: [
        `${cut === null ? 'cable, length not known' : formatLength(cut, is.units)} ${run.cable || 'cable of unknown kind'}`,
      ],
      tools: ['fish tape', 'label printer'],
      changes: was.runs[run.id] ? [] : both.changesOf('runs', run.id),
    });
  });
  const outlets = ended.map((run) =>
    plain({
      id: stepId('outlet', run.id),
      kind: 'outlet',
      turn: 'in',
      words: `End run ${run.label} at its outlet`,
      at: 'room',
      place: roomOf(run),
      runId: run.id,
      parts: ['jack for the outlet'],
      tools: ['punch-down tool'],
    }),
  );
  const tests = index.runsInOrder
    .filter(
      (run) =>
        isNow(run) && index.landingOfRun.has(run.id) && (run.state !== 'tested' || ticked.has(stepId('test', run.id))),
    )
    .map((run) => {
      // A run that is in service and stays on its port is unplugged for its test.
      const live = isInService(both, run);
      return plain({
        id: stepId('test', run.id),
        kind: 'test',
        turn: live ? 'move' : 'in',
        words: live
          ? `Unplug run ${run.label}, test it from both ends and plug it back`
          : `Test run ${run.label} from both ends`,
        ...(live ? { takeMin: buildMinutes.test.put, putMin: buildMinutes.cord.put } : {}),
        pace: live ? 'test live' : 'test',
        place: roomOf(run),
        runId: run.id,
        tools: ['cable tester'],
      });
    });
  return [...pulls, ...outlets, ...tests];
}

/** Whether somebody uses a run today, and its end stays where it is: a test interrupts it. */
function isInService({ was, is }: Both, run: Run): boolean {
  const [before, after] = [indexJob(was), indexJob(is)];
  const [old, then] = [before.landingOfRun.get(run.id), after.landingOfRun.get(run.id)];
  return (
    old !== undefined &&
    then !== undefined &&
    old.panelId === then.panelId &&
    old.port === then.port &&
    before.cordAtPanelPort.has(portKey(old.panelId, old.port))
  );
}

const roomOf = (run: Run): string => [run.floor, run.room, run.outlet].filter(Boolean).join(', ');

export function landSteps(both: Both): BuildStep[] {
  const { was, is } = both;
  // Landed again is landed elsewhere, whatever its row is called.
  const byRun = groupBy(turns(both, 'landings'), ({ old, then }) => (then ?? old)?.runId ?? '');
  const runIds = byRun.keys();
  const [before, after] = [indexJob(was).landingOfRun, indexJob(is).landingOfRun];
  return [...runIds].flatMap((runId): BuildStep[] => {
    const [old, then] = [before.get(runId), after.get(runId)];
    const run = is.runs[runId] ?? was.runs[runId];
    const changes = (byRun.get(runId) ?? []).flatMap((row) => both.changesOf('landings', row.id));
    const turn: Turn = old && then ? 'move' : then ? 'in' : 'out';
    const same = old && then && old.panelId === then.panelId && old.port === then.port;
    if (same) return [{ ...recordsOnly(runId, changes), id: stepId('records', `land-${runId}`) }];
    const at = (job: Job, landing: Landing | undefined) =>
      landing ? `${job.gear[landing.panelId]?.name ?? ''} port ${landing.port}` : '';
    const panel = is.gear[then?.panelId ?? ''];
    const port = panel && then ? portAt(panel, then.port) : null;
    const oldPanel = was.gear[old?.panelId ?? ''];
    const eased =
      old && oldPanel && portAt(oldPanel, old.port)?.connector === 'keystone' && port?.connector === 'keystone';
    const minutes = eased && turn === 'move' ? buildMinutes.relandKeystone : buildMinutes.land;
    return [
      plain({
        id: stepId('land', runId),
        kind: 'land',
        turn,
        words:
          turn === 'in'
            ? `Land run ${run?.label ?? ''}`
            : turn === 'out'
              ? `Take run ${run?.label ?? ''} off its panel`
              : `Land run ${run?.label ?? ''} anew`,
        place: at(is, then) || at(was, old),
        from: at(was, old),
        to: at(is, then),
        runId,
        gearId: then?.panelId ?? old?.panelId ?? null,
        takeMin: turn === 'in' ? 0 : minutes.take,
        putMin: turn === 'out' ? 0 : minutes.put,
        pace: `land ${port?.connector ?? ''} ${turn}`,
        parts: turn !== 'out' && port?.connector === 'keystone' && !eased ? ['keystone jack'] : [],
        tools: ['punch-down tool', 'stripper'],
        photograph: turn !== 'in',
        canPark: turn === 'move',
        ...(old && then && old.panelId !== then.panelId ? { together: `land ${old.panelId} ${then.panelId}` } : {}),
        changes,
      }),
    ];
  });
}
