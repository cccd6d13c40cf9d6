import type { Command } from '../../job/commands/commands';
import type { Job } from '../../job/document/job';
import { indexJob } from '../../job/document/jobIndex';
import { portKey } from '../../job/records/portKey';
import type { Run } from '../../job/records/run';

export type Less = { commands: Command[]; words: string[]; minutes: number };

/** Minutes by rule of thumb, no source. */
const MINUTES = { unplug: 5, pullOut: 20 } as const;

/**
 * What takes a device away again: its cord and its recordings go; its run stays as a spare, or goes with it.
 * @param cable `stays`: as a spare run, landed as it is
 */
export function oneLess(job: Job, run: Run, cable: 'stays' | 'goes'): Less {
  const index = indexJob(job);
  const landing = index.landingOfRun.get(run.id);
  const cord = landing && index.cordAtPanelPort.get(portKey(landing.panelId, landing.port));
  const name = `One more: ${run.device} ${run.room}`.slice(0, 60);
  const streams = Object.values(job.streams).filter((stream) => stream.name === name);
  const recordings: Command[] =
    streams.length > 0 ? [{ type: 'dropRows', table: 'streams', ids: streams.slice(0, 1).map(({ id }) => id) }] : [];
  if (cable === 'goes')
    return {
      commands: [{ type: 'removeRuns', runIds: [run.id] }, ...recordings],
      words: [`Take ${run.device || 'the device'} and run ${run.label} out; its panel port is free again.`],
      minutes: MINUTES.unplug + MINUTES.pullOut,
    };
  const changes = {
    device: '',
    speedMbps: null,
    poeW: null,
    poeClass: null,
    network: '',
    ...(run.askedBy === 'one more' ? { askedBy: '' } : {}),
  };
  return {
    commands: [
      ...(cord ? [{ type: 'unplug' as const, cordIds: [cord.id] }] : []),
      { type: 'editRuns', edits: [{ runId: run.id, changes }] },
      ...recordings,
    ],
    words: [
      `Take ${run.device || 'the device'} away; run ${run.label} stays as a spare.`,
      ...(cord ? [`Pull the cord of ${job.gear[cord.switchId]?.name} port ${cord.switchPort} out.`] : []),
    ],
    minutes: MINUTES.unplug,
  };
}
