import Papa from 'papaparse';
import { csvCell } from '../../base/text/csvCell';
import type { Job } from '../../job/document/job';
import { portPlan, portSetting, switchingGear } from '../../trade/patching/uplinks/portPlan';
import { takesPower } from '../../trade/power/poe';

const COLUMNS = [
  'device',
  'port',
  'setting',
  'untagged_number',
  'untagged_network',
  'tagged_numbers',
  'power',
  'speed_mbps',
  'description',
] as const;

/** What every switch port is to be set to, one row a port, for typing into any managed switch. */
export function portPlanCsv(job: Job): string {
  const data = switchingGear(job).flatMap((gear) =>
    portPlan(job, gear).map((row) =>
      [
        gear.name,
        String(row.port.number),
        portSetting(row),
        String(row.untagged?.number ?? ''),
        row.untagged?.name ?? '',
        row.tagged.map((network) => network.number ?? network.name).join(' '),
        row.port.poeW > 0 ? (row.run && takesPower(row.run) ? 'on' : 'off') : '',
        String(row.port.speedMbps ?? ''),
        row.description,
      ].map(csvCell),
    ),
  );
  return `${Papa.unparse({ fields: [...COLUMNS], data }, { newline: '\n' })}\n`;
}
