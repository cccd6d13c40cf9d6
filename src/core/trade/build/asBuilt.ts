import type { Command } from '../../job/commands/commands';
import { rowCommands } from '../../job/commands/rowCommands';
import { patchCordsOf, switchEnd } from '../../job/document/cordKinds';
import type { Job } from '../../job/document/job';
import { indexJob } from '../../job/document/jobIndex';
import { placesFor } from '../../job/rack/fit';
import { shownUnit } from '../../job/rack/units';
import { portKey } from '../../job/records/portKey';
import { canLand, canPatch, portsOf } from '../../job/records/ports';
import type { Run } from '../../job/records/run';
import { type Tick, ticks } from '../../job/records/tick';
import type { BuildStep } from './buildStep';
import { idFor } from './tickId';

export type Ticking = Pick<Tick, 'state' | 'by' | 'at'> & Partial<Pick<Tick, 'minutes' | 'note' | 'photographed'>>;

/** Commands of a tick: the tick itself, and what it says of the run: pulled, tested, failed. */
export function tickCommands(job: Job, step: BuildStep, key: string, ticking: Ticking): Command[] {
  const record = ticks.make({ id: idFor('tick', key), step: key, ...ticking });
  const run = job.runs[step.runId ?? ''];
  const state: Run['state'] | null =
    run === undefined || key !== step.id
      ? null
      : step.kind === 'pull' && ticking.state === 'done'
        ? 'pulled'
        : step.kind === 'test'
          ? ticking.state === 'done'
            ? 'tested'
            : ticking.state === 'stuck'
              ? 'failed'
              : null
          : null;
  return [
    ...rowCommands(job, [{ table: 'ticks', record }]),
    ...(run && state !== null && run.state !== state
      ? [{ type: 'editRuns' as const, edits: [{ runId: run.id, changes: { state } }] }]
      : []),
  ];
}

export type Otherwise = { words: string; commands: Command[] };

/** Where a step's thing could have been put instead, as far as it fits: the plan is changed to it. */
export function otherwise(job: Job, step: BuildStep): Otherwise[] {
  const index = indexJob(job);
  if (step.kind === 'gear') {
    const gear = job.gear[step.gearId ?? ''];
    const place = gear && index.placementOfGear.get(gear.id);
    const rack = job.racks[place?.rackId ?? ''];
    if (!gear || !place || !rack) return [];
    return placesFor(job, rack, gear, place.face).flatMap((bottomU) =>
      bottomU === place.bottomU
        ? []
        : [
            {
              words: `${rack.name} U${shownUnit(rack, bottomU)}`,
              commands: [{ type: 'editRows', edits: [{ table: 'placements', id: place.id, changes: { bottomU } }] }],
            },
          ],
    );
  }
  if (step.kind === 'land') {
    const landing = index.landingOfRun.get(step.runId ?? '');
    const run = job.runs[step.runId ?? ''];
    const panel = job.gear[landing?.panelId ?? ''];
    if (!landing || !run || !panel) return [];
    return portsOf(panel).flatMap((port) =>
      index.landingAtPort.has(portKey(panel.id, port.number)) || !canLand(port, run.carries)
        ? []
        : [
            {
              words: `${panel.name} port ${port.number}`,
              commands: [
                { type: 'editRows', edits: [{ table: 'landings', id: landing.id, changes: { port: port.number } }] },
              ],
            },
          ],
    );
  }
  if (step.kind === 'cord') {
    const cord = patchCordsOf(job)[step.cordId ?? ''];
    const device = job.gear[cord?.switchId ?? ''];
    const run = job.runs[step.runId ?? ''];
    if (!cord || !device) return [];
    return portsOf(device).flatMap((port) => {
      const key = portKey(device.id, port.number);
      const used = index.cordAtSwitchPort.has(key) || index.uplinkAtPort.has(key);
      return used || (run && !canPatch(port.connector, run.carries))
        ? []
        : [
            {
              words: `${device.name} port ${port.number}`,
              commands: [
                {
                  type: 'editRows',
                  edits: [
                    { table: 'cords', id: cord.id, changes: switchEnd(job, cord.id, { switchPort: port.number }) },
                  ],
                },
              ],
            },
          ];
    });
  }
  return [];
}
