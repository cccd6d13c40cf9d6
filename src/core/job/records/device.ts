import { z } from 'zod';
import { day, Id, line, name } from './fields';
import { clearedWith, defineTable, goesWith } from './table';

export const DEVICE_KINDS = [
  'access-point',
  'camera',
  'computer',
  'telephone',
  'printer',
  'television',
  'console',
  'speaker',
  'door-station',
  'sensor',
  'controller',
  'switch',
  'other',
] as const;

/** Ordered and not here; here and not fitted; fitted; out, with another in its place. */
export const DEVICE_STATES = ['ordered', 'there', 'fitted', 'replaced'] as const;

/**
 * One thing that was bought and hangs on a run: which one it is, and how it can be told from others of its kind. What the run is
 * for stands in the run, whether or not anything is on it yet. Goes with its run.
 */
export const Device = z
  .strictObject({
    id: Id,
    runId: Id,
    name: name(80).describe('as people call it, such as Camera, front door'),
    kind: z.enum(DEVICE_KINDS).default('other'),
    state: z.enum(DEVICE_STATES).default('there'),
    replacedById: Id.nullable().default(null).describe('the one in its place; null: none, or not known'),
    model: line(80).default(''),
    serial: line(80).default(''),
    mac: z
      .union([
        z.literal(''),
        z.string().regex(/^([0-9a-f]{2}:){5}[0-9a-f]{2}$/, 'expected one such as 02:00:5e:00:53:01'),
      ])
      .default('')
      .describe('hardware address; empty: not known'),
    addresses: line(200).default('').describe('IP addresses, with commas between them'),
    boughtOn: day.nullable().default(null).describe('null: not known'),
    warrantyUntil: day.nullable().default(null).describe('null: not known'),
    notes: line(500).default(''),
  })
  .meta({ id: 'Device' });
export type Device = z.infer<typeof Device>;

type Around = { devices: Record<string, Device> };

export const devices = defineTable({
  name: 'devices',
  about: 'building',
  private: false,
  stations: ['runs'],
  onSite: true,
  row: 'device',
  one: 'device on a run',
  many: 'devices on runs',
  atMost: 20_000,
  schema: Device,
  title: (row) => row.name,
  keys: [
    {
      what: 'hardware address',
      of: (row) => (row.mac === '' ? null : row.mac),
      words: (row) => `the hardware address ${row.mac}`,
      taken: (other) => `${other.name} has the hardware address ${other.mac} already.`,
    },
  ],
  refers: [goesWith('runId', 'runs'), clearedWith('replacedById', 'devices')],
  fault: (row) =>
    row.replacedById === row.id
      ? 'A device cannot be in its own place.'
      : row.replacedById !== null && row.state !== 'replaced'
        ? `${row.name} has another in its place: its state is “replaced”.`
        : null,
  clash: (job: Around, row) => {
    const seen = new Set([row.id]);
    for (let at = row.replacedById; at !== null; at = job.devices[at]?.replacedById ?? null) {
      if (seen.has(at)) return `${row.name} would come after itself.`;
      seen.add(at);
    }
    return null;
  },
});

/** What hangs on a run now: what was replaced is out. */
export const devicesOn = (job: Around, runId: string): Device[] =>
  Object.values(job.devices).filter((one) => one.runId === runId && one.state !== 'replaced');
