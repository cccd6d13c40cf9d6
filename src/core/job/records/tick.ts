import { z } from 'zod';
import { amount, Id, line } from './fields';
import { defineTable } from './table';

export const TICK_STATES = ['done', 'skipped', 'stuck'] as const;

/** What became of a step of the build. */
export const Tick = z
  .strictObject({
    id: Id,
    step: line(140),
    state: z.enum(TICK_STATES),
    minutes: amount(0, 2000).nullable().default(null).describe('that it took; null: not taken down'),
    by: line(60).default(''),
    at: z
      .string()
      .regex(/^(\d{4}-\d{2}-\d{2}T\d{2}:\d{2})?$/, 'expected a time such as 2026-11-27T18:30')
      .default('')
      .describe('local time, as 2026-11-27T18:30'),
    photographed: z.boolean().default(false).describe('what was there was photographed before'),
    note: line(300).default(''),
  })
  .meta({ id: 'Tick' });
export type Tick = z.infer<typeof Tick>;

export const ticks = defineTable({
  name: 'ticks',
  about: 'site-work',
  private: false,
  stations: ['build'],
  onSite: true,
  row: 'tick',
  one: 'tick',
  atMost: 40_000,
  schema: Tick,
  title: (row) => row.step,
  keys: [{ what: 'step', of: (row) => row.step, words: () => 'one step' }],
});
