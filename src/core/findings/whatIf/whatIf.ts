import { applyCommands } from '../../job/commands/apply';
import type { Command } from '../../job/commands/commands';
import type { Job } from '../../job/document/job';
import { indexJob } from '../../job/document/jobIndex';
import { Cord } from '../../job/records/cord';
import { Gear } from '../../job/records/gear';
import { portKey } from '../../job/records/portKey';
import { isSwitching, portsOf } from '../../job/records/ports';
import { findSnags } from '../snags/findSnags';
import { newSnags } from '../snags/newSnags';
import { STATION_LIST } from '../stations/stations';

export const WHAT_IFS = [
  { id: 'more-watts', words: 'Every switch had twice the watts' },
  { id: 'faster', words: 'Every device wanted 2.5 Gb/s' },
  { id: 'cameras-doubled', words: 'Every recorder kept twice the cameras' },
  { id: 'second-gateway', words: 'A second gateway stood there' },
  { id: 'all-spare', words: 'Every spare run had a computer on it' },
] as const;
export type WhatIfId = (typeof WHAT_IFS)[number]['id'];

export type Difference = { station: string; figure: string; before: string; after: string };
export type WhatIf = {
  differences: Difference[];
  /** Snags that would come, and that would go. */
  come: string[];
  go: string[];
  /** Why it cannot be tried. */
  fault: string | null;
};

/** Commands that make a job what is supposed; null where the job has nothing to suppose it of. */
function supposing(job: Job, id: WhatIfId): Command[] | null {
  const index = indexJob(job);
  switch (id) {
    case 'more-watts': {
      const switches = index.gearInOrder.filter(({ kind, poeBudgetW }) => kind === 'switch' && poeBudgetW > 0);
      return switches.length === 0
        ? null
        : switches.map(({ id: gearId, poeBudgetW }) => ({
            type: 'editGear',
            gearId,
            changes: { poeBudgetW: poeBudgetW * 2 },
          }));
    }
    case 'faster': {
      const runs = index.runsInOrder.filter(({ device, carries }) => device !== '' && carries === 'ethernet');
      return runs.length === 0
        ? null
        : [{ type: 'editRuns', edits: runs.map(({ id: runId }) => ({ runId, changes: { speedMbps: 2500 } })) }];
    }
    case 'cameras-doubled': {
      const streams = Object.values(job.streams);
      return streams.length === 0
        ? null
        : [
            {
              type: 'editRows',
              edits: streams.map((stream) => ({
                table: 'streams' as const,
                id: stream.id,
                changes: { count: Math.min(500, stream.count * 2) },
              })),
            },
          ];
    }
    case 'second-gateway':
      return secondGateway(job);
    case 'all-spare': {
      const runs = index.runsInOrder.filter(
        ({ device, carries, scope }) => device === '' && carries === 'ethernet' && scope === 'now',
      );
      return runs.length === 0
        ? null
        : [
            {
              type: 'editRuns',
              edits: runs.map(({ id: runId }) => ({ runId, changes: { device: 'computer', speedMbps: 1000 } })),
            },
          ];
    }
  }
}

function secondGateway(job: Job): Command[] | null {
  const index = indexJob(job);
  const first = index.gearInOrder.find(({ kind }) => kind === 'router');
  const host = index.gearInOrder.find(({ kind }) => kind === 'switch');
  if (!first || !host) return null;
  const free = portsOf(host).find(({ number }) => {
    const key = portKey(host.id, number);
    return !index.cordAtSwitchPort.has(key) && !index.uplinkAtPort.has(key);
  });
  if (!free || !isSwitching(host)) return null;
  const id = 'what-if-gateway';
  const gear = Gear.parse({ ...first, id, name: `${first.name}, a second one`.slice(0, 80), shortName: '' });
  const port = portsOf(gear).find(({ use }) => use !== 'internet');
  if (!port) return null;
  const uplink = Cord.parse({
    id: 'what-if-uplink',
    fromId: host.id,
    fromPort: free.number,
    toId: id,
    toPort: port.number,
  });
  return [
    { type: 'addGear', gear: [gear] },
    { type: 'keepRows', rows: [{ table: 'cords', record: uplink }] },
  ];
}

/** What would be different: figures of every station, and snags, against the job as it is. Nothing is changed. */
export function whatIf(job: Job, id: WhatIfId): WhatIf {
  const commands = supposing(job, id);
  if (commands === null)
    return { differences: [], come: [], go: [], fault: 'There is nothing in this job that it could be supposed of.' };
  let after: Job;
  try {
    after = applyCommands(job, commands).job;
  } catch (fault) {
    if (!(fault instanceof Error) || fault.name !== 'Refusal') throw fault;
    return { differences: [], come: [], go: [], fault: fault.message };
  }
  const [was, will] = [indexJob(job), indexJob(after)];
  const differences = STATION_LIST.flatMap((station) => {
    const before = new Map(station.figures(was).map(({ id: of, value }) => [of, value]));
    return station.figures(will).flatMap(({ id: of, name, value }) => {
      const then = before.get(of) ?? '';
      return then === value ? [] : [{ station: station.name, figure: name, before: then, after: value }];
    });
  });
  const [stood, stand] = [findSnags(job), findSnags(after)];
  return {
    differences,
    come: newSnags(stood, stand).map(({ what }) => what),
    go: newSnags(stand, stood).map(({ what }) => what),
    fault: null,
  };
}
