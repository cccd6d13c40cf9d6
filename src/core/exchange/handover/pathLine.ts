import type { Job } from '../../job/document/job';
import { indexJob, sameKey } from '../../job/document/jobIndex';
import { standOf } from '../../job/rack/stand';
import { proofOf } from '../../trade/testing/proof';
import { powerWords } from '../../trade/trace/traceRun';
import { portMap } from '../formats/portMap';

/** What the hand-over says of one run, or of one device that is cabled inside the cabinet. What is empty is not so. */
export const PATH_COLUMNS = [
  'label',
  'floor',
  'room',
  'outlet',
  'device',
  'cabinet',
  'panel',
  'panel port',
  'cord',
  'switch',
  'switch port',
  'network',
  'power',
  'cable',
  'tested',
  'notes',
] as const;
export type PathLine = Record<(typeof PATH_COLUMNS)[number], string>;

/** A line for each run in label order, then for each device inside the cabinet. */
export function pathLines(job: Job): PathLine[] {
  const { runByLabel, gearInOrder } = indexJob(job);
  const cabinets = new Map(
    gearInOrder.map(({ id, name }) => [name, job.racks[standOf(job, id)?.rackId ?? '']?.name ?? '']),
  );
  return portMap(job).map((row) => {
    const run = row.label === '' ? undefined : runByLabel.get(sameKey(row.label));
    const metres = (text: string) => (text === '' ? '' : `${text} m`);
    return {
      label: row.label,
      floor: row.floor,
      room: row.room,
      outlet: row.outlet,
      device: row.device,
      cabinet: cabinets.get(row.panel || row.switch) ?? '',
      panel: row.panel,
      'panel port': row.panel_port,
      cord:
        row.switch === ''
          ? ''
          : [metres(row.cord_length_m), row.cord_colour].filter(Boolean).join(' ') || 'length not known',
      switch: row.switch,
      'switch port': row.switch_port,
      network: row.network,
      power: run ? (powerWords(run) ?? '') : '',
      cable: [row.cable, metres(row.length_m)].filter(Boolean).join(', '),
      tested: run ? proofOf(job, run).state : '',
      notes: [row.critical === 'yes' ? 'critical' : '', row.notes].filter(Boolean).join('; '),
    };
  });
}
