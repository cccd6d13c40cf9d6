import { besideCordsOf, patchCordsOf } from '../../../job/document/cordKinds';
import type { Job } from '../../../job/document/job';
import { indexJob } from '../../../job/document/jobIndex';
import { inletCount } from '../../../job/records/mainsSockets';
import { isPanel, isSwitching } from '../../../job/records/ports';

/** What can fail: each is named by its kind and the id of its row. */
export const PART_KINDS = ['mains', 'circuit', 'wall', 'gear', 'plug', 'uplink', 'cord', 'run'] as const;
export type PartKind = (typeof PART_KINDS)[number];
export type Part = { kind: PartKind; id: string };

export const partKey = ({ kind, id }: Part): string => `${kind}:${id}`;
export function partOfKey(key: string): Part | null {
  const [kind, id] = key.split(':');
  return kind !== undefined && id !== undefined && (PART_KINDS as readonly string[]).includes(kind)
    ? { kind: kind as PartKind, id }
    : null;
}

/** The whole of the mains at once. */
export const MAINS: Part = { kind: 'mains', id: 'all' };

/** What a part is called. */
export function partName(job: Job, { kind, id }: Part): string {
  switch (kind) {
    case 'mains':
      return 'The mains';
    case 'circuit':
      return `Circuit ${job.circuits[id]?.name ?? ''}`;
    case 'wall':
      return job.wallOutlets[id]?.name ?? '';
    case 'gear':
      return job.gear[id]?.name ?? '';
    case 'plug': {
      const plug = job.plugs[id];
      const gear = job.gear[plug?.gearId ?? ''];
      const inlets = gear && inletCount(gear) > 1 ? ` ${plug?.inlet}` : '';
      return `Supply${inlets} of ${gear?.name ?? ''}`;
    }
    case 'uplink': {
      const uplink = besideCordsOf(job)[id];
      return `Uplink ${job.gear[uplink?.fromId ?? '']?.name ?? ''} ${uplink?.fromPort} – ${job.gear[uplink?.toId ?? '']?.name ?? ''} ${uplink?.toPort}`;
    }
    case 'cord': {
      const cord = patchCordsOf(job)[id];
      return `Cord ${job.gear[cord?.panelId ?? '']?.name ?? ''} ${cord?.panelPort} – ${job.gear[cord?.switchId ?? '']?.name ?? ''} ${cord?.switchPort}`;
    }
    case 'run':
      return `Run ${job.runs[id]?.label ?? ''}`;
  }
}

/** Everything of a job that can fail on its own. */
export function partsOf(job: Job): Part[] {
  const index = indexJob(job);
  const of = (kind: PartKind, ids: Iterable<string>): Part[] => [...ids].map((id) => ({ kind, id }));
  return [
    MAINS,
    ...of('circuit', Object.keys(job.circuits)),
    ...of('wall', Object.keys(job.wallOutlets)),
    ...of(
      'gear',
      index.gearInOrder
        .filter((gear) => isPanel(gear) || isSwitching(gear) || inletCount(gear) > 0 || gear.outlets.length > 0)
        .map(({ id }) => id),
    ),
    ...of('plug', Object.keys(job.plugs)),
    ...of('uplink', Object.keys(besideCordsOf(job))),
    ...of('cord', Object.keys(patchCordsOf(job))),
    ...of(
      'run',
      index.runsInOrder.filter((run) => index.landingOfRun.has(run.id)).map(({ id }) => id),
    ),
  ];
}
