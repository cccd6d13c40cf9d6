import { z } from 'zod';
import { sameKey } from '../../base/text/sameKey';
import { Id, name, whole } from './fields';
import { byName, defineTable } from './table';

export const NETWORK_COLOURS = ['blue', 'orange', 'green', 'red', 'violet', 'teal', 'brown', 'grey'] as const;
export const LINE_PATTERNS = ['solid', 'dashed', 'dotted', 'dash-dot', 'long-dash', 'double-dot'] as const;
export type LinePattern = (typeof LINE_PATTERNS)[number];

/** A network that runs belong to. Told apart by colour, by line pattern and by a short code. Runs outlive it. */
export const Network = z
  .strictObject({
    id: Id,
    name: name(),
    code: name(3),
    colour: z.enum(NETWORK_COLOURS),
    pattern: z.enum(LINE_PATTERNS),
    number: whole(1, 4094).nullable().default(null).describe('as switches know it (IEEE 802.1Q)'),
  })
  .meta({ id: 'Network' });
export type Network = z.infer<typeof Network>;

/** Shortest code from the name's letters that no other network has. */
export function freeCode(wanted: string, others: Iterable<string>): string {
  const used = new Set([...others].map(sameKey));
  const taken = { has: (code: string) => used.has(sameKey(code)) };
  const letters = wanted.replace(/[^\p{L}\p{N}]/gu, '') || 'N';
  const first = letters.charAt(0).toUpperCase();
  if (!taken.has(first)) return first;
  for (const next of letters.slice(1)) {
    const code = first + next.toLowerCase();
    if (!taken.has(code)) return code;
  }
  for (let number = 2; ; number++) {
    const code = `N${number.toString(36).toUpperCase()}`;
    if (!taken.has(code)) return code;
  }
}

/** A network of this name with the first colour, pattern and code that the others leave free. */
export function networkNamed(id: string, wanted: string, others: Network[]): Network {
  const used = others.length;
  return {
    id,
    name: wanted,
    code: freeCode(
      wanted,
      others.map((other) => other.code),
    ),
    colour: NETWORK_COLOURS[used % NETWORK_COLOURS.length] ?? 'grey',
    // Patterns and colours have different counts, so that the pairs repeat late.
    pattern: LINE_PATTERNS[used % LINE_PATTERNS.length] ?? 'solid',
    number: null,
  };
}

export const networks = defineTable({
  name: 'networks',
  about: 'plan',
  private: false,
  stations: ['runs', 'patch'],
  withCabinet: true,
  row: 'network',
  one: 'network',
  atMost: 500,
  schema: Network,
  title: (row) => row.name,
  keys: [
    byName((row) => `There is a network called ${row.name} already.`),
    {
      what: 'code',
      of: (row) => sameKey(row.code),
      words: (row) => `the code ${row.code}`,
      taken: (row) => `${row.name} has the code ${row.code} already: choose another.`,
    },
    {
      what: 'number',
      of: (row) => (row.number === null ? null : String(row.number)),
      words: (row) => `the number ${row.number}`,
      taken: (row) => `${row.name} has the number ${row.number} already: choose another.`,
    },
  ],
});
