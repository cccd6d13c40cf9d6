import { z } from 'zod';
import { Id, whole } from './fields';

export const UPLINK_MEDIA = ['auto', 'copper', 'direct-attach', 'fibre'] as const;
export type UplinkMedium = (typeof UPLINK_MEDIA)[number];

/** A link between two devices of the cabinet: switch to switch, switch to gateway. Goes with either. */
export const Uplink = z
  .strictObject({
    id: Id,
    fromId: Id,
    fromPort: whole(1, 1152),
    toId: Id,
    toPort: whole(1, 1152),
    medium: z.enum(UPLINK_MEDIA).default('auto').describe('auto: by distance and speed'),
    lengthMm: whole(1, 40_000_000).nullable().default(null).describe('of its cable; null: as the geometry asks'),
    bundled: z
      .boolean()
      .default(false)
      .describe('acts as one with the other bundled links between the same two devices (IEEE 802.1AX)'),
  })
  .meta({ id: 'Uplink' });
export type Uplink = z.infer<typeof Uplink>;
