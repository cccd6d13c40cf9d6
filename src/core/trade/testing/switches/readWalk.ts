import { refuse } from '../../../base/text/refusal';
import { POE_STATES, type PoeState, TREE, type TreeColumn } from './managementTree';

/** What a switch says of one port. Null: it does not say. */
export type SeenPort = {
  port: number;
  up: boolean | null;
  mbps: number | null;
  halfDuplex: boolean | null;
  fcsErrors: number | null;
  poe: PoeState | null;
  poeClass: number | null;
  /** Number of the network of untagged frames. */
  network: number | null;
  /** Addresses learnt on it, as `02:00:5e:00:00:01`. */
  addresses: string[];
  /** Names that neighbours give themselves. */
  neighbours: string[];
};

const MOST_LINES = 500_000;
const LINE = /^\.?([\d.]+) = (?:([A-Za-z0-9-]+): )?(.*)$/;

/** A whole number as walks print it: `up(1)`, `1`. */
function numberOf(value: string): number | null {
  const found = /\((\d+)\)\s*$/.exec(value) ?? /^"?(\d+)"?/.exec(value.trim());
  return found ? Number(found[1]) : null;
}
const textOf = (value: string): string => value.trim().replace(/^"(.*)"$/, '$1');

type Columns = (column: TreeColumn) => ReadonlyMap<string, string>;

/** The values of a walk by column, and by what stands behind the column's number. @throws Refusal when it is too long */
function treeOf(text: string): Columns {
  const lines = text.split(/\r?\n/);
  if (lines.length > MOST_LINES) refuse('walk', `The walk has ${lines.length} lines: expected ${MOST_LINES} at most.`);
  const values = new Map<string, Map<string, string>>(Object.values(TREE).map((root) => [root, new Map()]));
  const roots = [...values.keys()].sort((a, b) => b.length - a.length);
  for (const line of lines) {
    const parts = LINE.exec(line.trim());
    if (!parts) continue;
    const [, oid = '', kind, value = ''] = parts;
    if (/^No Such|^No more variables/.test(value)) continue;
    const root = roots.find((one) => oid.startsWith(`${one}.`));
    if (root) values.get(root)?.set(oid.slice(root.length + 1), kind === 'Hex-STRING' ? ofHex(value) : value);
  }
  return (column) => values.get(TREE[column]) ?? new Map();
}

/** Text that a walk prints as octets, since it holds more than plain letters. */
const ofHex = (value: string): string =>
  new TextDecoder().decode(Uint8Array.from(value.trim().split(/\s+/), (octet) => Number.parseInt(octet, 16)));

/** Watts that a switch may give over its ports, and gives. Null: it does not say. */
export function readSwitchWatts(text: string): { budgetW: number | null; drawnW: number | null } {
  const of = treeOf(text);
  const sum = (column: TreeColumn): number | null => {
    const all = [...of(column).values()].flatMap((value) => numberOf(value) ?? []);
    return all.length === 0 ? null : all.reduce((a, b) => a + b, 0);
  };
  return { budgetW: sum('poeBudgetW'), drawnW: sum('poeDrawnW') };
}

/**
 * What a switch sees, from the text that a walk over its standard modules prints with numbers (`-On`).
 * @throws Refusal when nothing in it is of these modules
 */
export function readWalk(text: string): SeenPort[] {
  const of = treeOf(text);
  const known = new Set([...of('operStatus').keys(), ...of('name').keys(), ...of('highSpeed').keys()]);
  if (known.size === 0)
    refuse(
      'walk',
      `Nothing in it is of the standard modules: expected lines such as “.${TREE.operStatus}.1 = INTEGER: up(1)”.`,
    );
  const ports = new Map<string, SeenPort>();
  for (const index of known) {
    const name = textOf(of('name').get(index) ?? '');
    // A port is called by the last number of its name, else by its index.
    const number = Number(/(\d+)\s*$/.exec(name)?.[1] ?? index);
    if (!Number.isInteger(number) || number < 1 || number > 4096) continue;
    const status = numberOf(of('operStatus').get(index) ?? '');
    const duplex = numberOf(of('duplex').get(index) ?? '');
    ports.set(index, {
      port: number,
      up: status === null ? null : status === 1,
      mbps: numberOf(of('highSpeed').get(index) ?? ''),
      halfDuplex: duplex === 2 ? true : duplex === 3 ? false : null,
      fcsErrors: numberOf(of('fcsErrors').get(index) ?? ''),
      poe: null,
      poeClass: null,
      network: null,
      addresses: [],
      neighbours: [],
    });
  }
  // Bridges number their ports themselves.
  const byBase = (base: string): SeenPort | undefined =>
    ports.get(of('basePort').get(base)?.replace(/\D/g, '') ?? base);
  const learn = (octets: readonly string[], base: string) => {
    const address = octets.map((octet) => Number(octet).toString(16).padStart(2, '0')).join(':');
    const port = byBase(base);
    if (port && octets.length === 6 && !port.addresses.includes(address)) port.addresses.push(address);
  };
  for (const [key, value] of of('learnt')) learn(key.split('.'), String(numberOf(value) ?? ''));
  for (const [key, value] of of('learntByNetwork')) learn(key.split('.').slice(1), String(numberOf(value) ?? ''));
  for (const [base, value] of of('network')) {
    const port = byBase(base);
    if (port) port.network = numberOf(value);
  }
  for (const [key, value] of of('poeState')) {
    const port = byBase(key.split('.').at(-1) ?? '');
    if (port) port.poe = POE_STATES[(numberOf(value) ?? 0) - 1] ?? null;
  }
  for (const [key, value] of of('poeClass')) {
    const port = byBase(key.split('.').at(-1) ?? '');
    const number = numberOf(value);
    // The module counts class 0 as 1.
    if (port && number !== null && number >= 1 && number <= 9) port.poeClass = number - 1;
  }
  for (const [key, value] of of('neighbour')) {
    const port = byBase(key.split('.')[1] ?? '');
    if (port) port.neighbours.push(textOf(value));
  }
  return [...ports.values()].sort((a, b) => a.port - b.port);
}
