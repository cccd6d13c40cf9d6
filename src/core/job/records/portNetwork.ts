import { z } from 'zod';
import { Id, whole } from './fields';
import type { Gear } from './gear';
import { portKey } from './portKey';
import { noPort } from './ports';
import { defineTable, goesWith } from './table';

/** A network on a switch port, set by hand. A port without any carries what is plugged into it. */
export const PortNetwork = z
  .strictObject({
    id: Id,
    gearId: Id,
    port: whole(1, 1152),
    networkId: Id,
    tagged: z
      .boolean()
      .default(false)
      .describe('among several on the port (IEEE 802.1Q); untagged: the one of plain devices'),
  })
  .meta({ id: 'PortNetwork' });
export type PortNetwork = z.infer<typeof PortNetwork>;

export const portNetworks = defineTable({
  name: 'portNetworks',
  about: 'plan',
  private: false,
  stations: ['patch'],
  withCabinet: true,
  row: 'port_network',
  one: 'network on a port',
  many: 'networks on ports',
  atMost: 20_000,
  schema: PortNetwork,
  title: (row) => `port ${row.port}`,
  keys: [
    {
      what: 'network on a port',
      of: (row) => `${portKey(row.gearId, row.port)}:${row.networkId}`,
      words: () => 'one network on one port',
    },
  ],
  refers: [goesWith('gearId', 'gear', 'port'), goesWith('networkId', 'networks')],
  clash: (job: { gear: Record<string, Gear> }, row) => noPort(job.gear[row.gearId], row.port),
  minds: ['gear'],
});
