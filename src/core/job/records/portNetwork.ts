import { z } from 'zod';
import { Id, whole } from './fields';

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
