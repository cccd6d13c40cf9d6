import Papa from 'papaparse';
import { csvCell } from '../../base/text/csvCell';
import type { KitLine } from '../../trade/build/kit';

const COLUMNS = [
  'item',
  'kind',
  'count',
  'spare',
  'unit',
  'packs',
  'sold_as',
  'price',
  'state',
  'due',
  'steps',
] as const;

/** Parts and tools with how many, as sold, at which price, and where they are. */
export function kitCsv(kit: readonly KitLine[]): string {
  const data = kit.map((line) =>
    [
      line.item,
      line.kind,
      `${line.atLeast ? 'at least ' : ''}${line.unit === 'm' ? line.count.toFixed(1) : line.count}`,
      String(line.spare),
      line.unit,
      String(line.packs.count),
      line.packs.words,
      line.priceMinor === null ? '' : (line.priceMinor / 100).toFixed(2),
      line.status?.state ?? 'missing',
      line.status?.due ?? '',
      String(line.steps.length),
    ].map(csvCell),
  );
  return `${Papa.unparse({ fields: [...COLUMNS], data }, { newline: '\n' })}\n`;
}
