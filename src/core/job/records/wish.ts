import { z } from 'zod';
import { Id, line, whole } from './fields';
import { SCOPES } from './run';
import { defineTable, goesWith } from './table';

export const WISH_KINDS = [
  'television',
  'desk',
  'camera',
  'access-point',
  'speaker',
  'control-panel',
  'telephone',
  'printer',
  'other',
] as const;
export type WishKind = (typeof WISH_KINDS)[number];

/** Something wanted in a room, so many times. Goes with its room. */
export const Wish = z
  .strictObject({
    id: Id,
    roomId: Id,
    kind: z.enum(WISH_KINDS),
    count: whole(1, 99).default(1),
    coax: z.boolean().default(false).describe('of a television point: a coax run as well'),
    scope: z.enum(SCOPES).default('now'),
    note: line(200).default(''),
  })
  .meta({ id: 'Wish' });
export type Wish = z.infer<typeof Wish>;

export const wishes = defineTable({
  name: 'wishes',
  about: 'plan',
  private: true,
  stations: ['survey'],
  row: 'wish',
  one: 'wish',
  many: 'wishes',
  atMost: 20_000,
  schema: Wish,
  refers: [goesWith('roomId', 'rooms')],
});
