import Papa from 'papaparse';
import { csvCell } from '../../base/text/csvCell';
import type { Job } from '../../job/document/job';
import { outletMap } from '../../trade/power/outletMap';

const COLUMNS = [
  'feed',
  'outlet',
  'kind',
  'backing',
  'switched',
  'on_after_s',
  'device',
  'inlet',
  'cord_m',
  'side',
] as const;

/** Every mains outlet: its kind, what is behind it, what is in it, the cord and the side it runs on. */
export function outletsCsv(job: Job): string {
  const data = outletMap(job).map(({ feed, outlet, kind, backing, device, inlet, cordMm, side }) =>
    [
      feed,
      String(outlet.number),
      kind,
      backing,
      outlet.switched ? 'yes' : '',
      outlet.onAfterS > 0 ? String(outlet.onAfterS) : '',
      device,
      inlet === null ? '' : String(inlet),
      cordMm === null ? '' : String(cordMm / 1000),
      side,
    ].map(csvCell),
  );
  return `${Papa.unparse({ fields: [...COLUMNS], data }, { newline: '\n' })}\n`;
}
