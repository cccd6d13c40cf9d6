import { refuse } from '../../base/text/refusal';
import { POE_STATES } from '../../trade/testing/switches/managementTree';
import { readWalk, type SeenPort } from '../../trade/testing/switches/readWalk';
import { readCsvTable, type TableKind } from './csvTable';

const COLUMNS = [
  'port',
  'up',
  'mbps',
  'duplex',
  'errors',
  'poe',
  'poe_class',
  'network',
  'address',
  'neighbour',
] as const;
type Column = (typeof COLUMNS)[number];

const columnOf = (heading: string): Column | null =>
  COLUMNS.find((column) => column === heading.trim().toLowerCase().replace(/\s+/g, '_')) ?? null;
const SEEN_TABLE: TableKind = { knows: (heading) => columnOf(heading) !== null, most: 100_000, row: 'port' };
const ADDRESS = /^([0-9a-f]{1,2}[:-]){5}[0-9a-f]{1,2}$/i;

/**
 * What a switch sees, from CSV: a row a port, or several rows with one address each.
 * @throws Refusal that names row and field
 */
export function readSeenCsv(text: string): SeenPort[] {
  const table = readCsvTable(text, SEEN_TABLE);
  const map = table.header.map(columnOf);
  if (!map.includes('port'))
    refuse('walk', `There is no column “port”: expected ${COLUMNS.join(', ')}, or what a walk prints.`, 'row 1');
  const ports = new Map<number, SeenPort>();
  for (const { line, cells } of table.rows) {
    const at = (column: Column): string => (cells[map.indexOf(column)] ?? '').trim();
    const wrong = (column: Column, expected: string): never =>
      refuse('walk', `Row ${line}, ${column}: found “${at(column)}”, expected ${expected}.`, `row ${line}`);
    const whole = (column: Column): number | null => {
      if (at(column) === '') return null;
      return /^\d{1,9}$/.test(at(column)) ? Number(at(column)) : wrong(column, 'a whole number');
    };
    const number = whole('port') ?? wrong('port', 'the number of a port');
    const state = at('up').toLowerCase();
    const up =
      state === ''
        ? null
        : /^(up|yes|1|true)$/.test(state)
          ? true
          : /^(down|no|0|false)$/.test(state)
            ? false
            : wrong('up', 'up or down');
    const poe = at('poe').toLowerCase();
    const known = ports.get(number);
    const one: SeenPort = known ?? {
      port: number,
      up,
      mbps: whole('mbps'),
      halfDuplex: at('duplex') === '' ? null : /^half/i.test(at('duplex')),
      fcsErrors: whole('errors'),
      poe: poe === '' ? null : (POE_STATES.find((given) => given === poe) ?? wrong('poe', POE_STATES.join(', '))),
      poeClass: whole('poe_class'),
      network: whole('network'),
      addresses: [],
      neighbours: [],
    };
    const address = at('address');
    if (address !== '') {
      if (!ADDRESS.test(address)) wrong('address', 'an address such as 02:00:5e:00:53:01');
      const plain = address
        .split(/[:-]/)
        .map((octet) => octet.toLowerCase().padStart(2, '0'))
        .join(':');
      if (!one.addresses.includes(plain)) one.addresses.push(plain);
    }
    const neighbour = at('neighbour');
    if (neighbour !== '' && !one.neighbours.includes(neighbour)) one.neighbours.push(neighbour);
    ports.set(number, one);
  }
  return [...ports.values()].sort((a, b) => a.port - b.port);
}

/** What a switch sees, from what a walk printed or from CSV. @throws Refusal */
export const readSeen = (text: string): SeenPort[] =>
  /^\s*\.?1(\.\d+){4,} = /m.test(text) || !/^[^\n]*\bport\b[^\n]*[,;\t|]/im.test(text)
    ? readWalk(text)
    : readSeenCsv(text);
