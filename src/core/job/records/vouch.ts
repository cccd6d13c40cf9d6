import { z } from 'zod';
import { Id, line, name } from './fields';
import { defineTable, goesWith } from './table';

export const VOUCHED_BY = ['switch', 'eye', 'tester', 'accepted'] as const;

/**
 * Somebody stands for a cord or a feed: a switch shows it, it was looked at or tested, or it is accepted without.
 * It holds as long as the thing is as it was then. Goes with it.
 */
export const Vouch = z
  .strictObject({
    id: Id,
    cordId: Id.nullable().default(null),
    plugId: Id.nullable().default(null),
    as: line(300).describe('what it was when somebody stood for it'),
    how: z.enum(VOUCHED_BY),
    by: name(60),
    why: line(300).default(''),
    at: line(20).default(''),
  })
  .meta({ id: 'Vouch' });
export type Vouch = z.infer<typeof Vouch>;

export const vouchedId = ({ cordId, plugId }: Pick<Vouch, 'cordId' | 'plugId'>): string => cordId ?? plugId ?? '';

export const vouches = defineTable({
  name: 'vouches',
  about: 'site-work',
  private: false,
  stations: ['prove'],
  onSite: true,
  row: 'vouch',
  one: 'vouching',
  atMost: 60_000,
  schema: Vouch,
  keys: [{ what: 'thing', of: vouchedId, words: () => 'one thing' }],
  refers: [goesWith('cordId', 'cords'), goesWith('plugId', 'plugs')],
  fault: ({ cordId, plugId, how, why }) =>
    (cordId === null) === (plugId === null)
      ? 'It is for one cord or one feed.'
      : how === 'accepted' && why === ''
        ? 'What is accepted without proof needs a reason.'
        : null,
});
