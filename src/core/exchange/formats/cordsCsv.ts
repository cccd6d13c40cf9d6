import Papa from 'papaparse';
import { cordBuilds } from '../../base/standards/cords';
import { csvCell } from '../../base/text/csvCell';
import type { Job } from '../../job/document/job';
import { listCords } from '../../trade/patching/cordList';
import { linkParts } from '../../trade/patching/uplinks/linkParts';
import { listUplinks } from '../../trade/patching/uplinks/uplinkFacts';

const COLUMNS = [
  'label',
  'panel',
  'panel_port',
  'switch',
  'switch_port',
  'kind',
  'way',
  'path_m',
  'length_m',
  'left_over_m',
  'colour',
  'pattern',
  'letter',
  'verdict',
] as const;

const metres = (mm: number | null) => (mm === null ? '' : String(Number((mm / 1000).toFixed(3))));

/** Every cord: from where to where, how it goes, its length and colour. Uplinks stand below the patch cords, and
 * below them what uplinks and cages take beside. */
export function cordsCsv(job: Job): string {
  const cords = listCords(job).map((one) => [
    one.run?.label ?? '',
    one.panel.name,
    String(one.cord.panelPort),
    one.device.name,
    String(one.cord.switchPort),
    cordBuilds[one.kind].words,
    one.way ?? '',
    metres(one.pathMm),
    metres(one.lengthMm),
    metres(one.coilMm),
    one.code.colour,
    one.code.pattern,
    one.code.letter,
    one.verdict,
  ]);
  const uplinks = listUplinks(job).map((one) => [
    'uplink',
    one.from.name,
    String(one.uplink.fromPort),
    one.to.name,
    String(one.uplink.toPort),
    one.medium,
    '',
    metres(one.wayMm),
    metres(one.lengthMm),
    metres(one.wayMm !== null && one.lengthMm !== null ? one.lengthMm - one.wayMm : null),
    '',
    '',
    '',
    one.faults.some((fault) => fault.grade === 'wont-work') ? 'does not work' : 'fits',
  ]);
  const parts = linkParts(job).map(({ what, count }) => ['part', '', '', '', '', `${count} × ${what}`]);
  const data = [...cords, ...uplinks, ...parts].map((row) => row.map(csvCell));
  return `${Papa.unparse({ fields: [...COLUMNS], data }, { newline: '\n' })}\n`;
}
