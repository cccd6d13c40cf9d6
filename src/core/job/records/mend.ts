import { z } from 'zod';
import { amount, Id, line } from './fields';
import { defineTable, goesWith } from './table';

/** What is seen of a run that is not as it should be. */
export const SYMPTOMS = ['dark', 'slow', 'errors', 'no-power', 'restarts', 'half-duplex', 'warm-afternoons'] as const;
export type Symptom = (typeof SYMPTOMS)[number];
export const SYMPTOM_WORDS: Record<Symptom, string> = {
  dark: 'no link at all',
  slow: 'links slower than wanted',
  errors: 'links, with errors',
  'no-power': 'no power over the cable',
  restarts: 'the device restarts',
  'half-duplex': 'links at half duplex',
  'warm-afternoons': 'fails on warm afternoons only',
};

/** What may be the fault, from the device to what feeds the switch. */
export const FAULT_PARTS = [
  'device',
  'device-cord',
  'outlet-jack',
  'cable',
  'panel-jack',
  'patch-cord',
  'port',
  'power',
  'switch',
  'uplink',
  'supply',
] as const;
export type FaultPart = (typeof FAULT_PARTS)[number];
export const PART_WORDS: Record<FaultPart, string> = {
  device: 'the device',
  'device-cord': 'the cord at the device',
  'outlet-jack': 'the jack at the outlet',
  cable: 'the cable in the wall',
  'panel-jack': 'the end at the panel',
  'patch-cord': 'the patch cord',
  port: 'the switch port',
  power: 'power over the cable',
  switch: 'the switch',
  uplink: 'an uplink',
  supply: 'what feeds the switch',
};

/** What was wrong with a run, as it was found: it teaches the odds. Goes with its run. */
export const Mend = z
  .strictObject({
    id: Id,
    runId: Id,
    symptom: z.enum(SYMPTOMS),
    part: z.enum(FAULT_PARTS),
    words: line(300).default('').describe('what was found, and what mended it'),
    minutes: amount(0, 2000).nullable().default(null).describe('until it was found; null: not taken down'),
    by: line(60).default(''),
    at: z
      .string()
      .regex(/^(\d{4}-\d{2}-\d{2}T\d{2}:\d{2})?$/, 'expected a time such as 2026-11-27T18:30')
      .default(''),
  })
  .meta({ id: 'Mend' });
export type Mend = z.infer<typeof Mend>;

export const mends = defineTable({
  name: 'mends',
  about: 'site-work',
  private: false,
  stations: ['prove'],
  onSite: true,
  row: 'mend',
  one: 'fault found',
  many: 'faults found',
  atMost: 20_000,
  schema: Mend,
  title: (row) => row.words || row.part,
  refers: [goesWith('runId', 'runs')],
});
