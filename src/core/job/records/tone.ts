import { z } from 'zod';
import { Id, whole } from './fields';
import { defineTable, goesWith } from './table';

/**
 * What was heard: on one walk a remote stood in a jack, and this cable answered it, or none did.
 * Goes with its jack; with its run as well.
 */
export const Tone = z
  .strictObject({
    id: Id,
    jackId: Id,
    runId: Id.nullable().describe('the cable that answered; null: none did'),
    walk: whole(1, 999),
    remote: whole(1, 99),
    simulated: z.boolean().default(false).describe('made up by the simulated tone set, not heard'),
  })
  .meta({ id: 'Tone' });
export type Tone = z.infer<typeof Tone>;

export const tones = defineTable({
  name: 'tones',
  about: 'site-work',
  private: false,
  stations: ['runs'],
  onSite: true,
  row: 'tone',
  one: 'tone',
  atMost: 50_000,
  schema: Tone,
  refers: [goesWith('jackId', 'jacks'), goesWith('runId', 'runs')],
});
