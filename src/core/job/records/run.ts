import { z } from 'zod';
import { sameKey } from '../../base/text/sameKey';
import { amount, Id, line, whole } from './fields';
import { clearedWith, defineTable } from './table';

export const CARRIES = ['ethernet', 'fibre', 'coax', 'telephone', 'speaker', 'other'] as const;
export type Carries = (typeof CARRIES)[number];
/** How far a run has come. Landed is not among them: a landing says so. */
export const RUN_STATES = ['wanted', 'pulled', 'tested', 'failed'] as const;
export const ENTRY_SIDES = ['top', 'bottom', 'back', 'left', 'right'] as const;
export const ORIGINS = ['new', 'found'] as const;
export const SCOPES = ['now', 'later'] as const;

/** One permanent cable from an outlet to the cabinet. */
export const Run = z
  .strictObject({
    id: Id,
    label: line(40),
    floor: line(60).default(''),
    room: line(60).default(''),
    outlet: line(60).default(''),
    carries: z.enum(CARRIES).default('ethernet'),
    cable: line(60).default('').describe('kind of cable, such as Cat 6 U/UTP'),
    lengthMm: whole(1, 10_000_000).nullable().default(null).describe('fixed cable as measured, mm; null not measured'),
    device: line(80).default('').describe('what hangs on it; empty: spare'),
    speedMbps: whole(1, 800_000).nullable().default(null).describe('speed wanted'),
    poeW: amount(0, 1000)
      .nullable()
      .default(null)
      .describe('watts the device draws over the cable; 0: none; null: not entered'),
    poeClass: whole(0, 8).nullable().default(null).describe('power class of the device (IEEE 802.3); null: not known'),
    networkId: Id.nullable().default(null),
    critical: z.boolean().default(false),
    jacket: line(30).default('').describe('colour of the jacket'),
    bundle: line(40).default('').describe('the bundle it is pulled and tied with'),
    entry: z.enum(ENTRY_SIDES).nullable().default(null).describe('side where it enters the cabinet'),
    tailMm: whole(0, 100_000).nullable().default(null).describe('free cable inside the cabinet, mm'),
    outletHeightMm: whole(0, 20_000).nullable().default(null).describe('outlet above the floor, mm'),
    state: z.enum(RUN_STATES).default('wanted'),
    origin: z.enum(ORIGINS).default('new').describe('found: it was there before this job'),
    scope: z.enum(SCOPES).default('now').describe('later: left out of this job, kept on the list'),
    askedBy: line(80).default('').describe('the wish, outlet and jack that asked for it'),
    notes: line(500).default(''),
  })
  .meta({ id: 'Run' });
export type Run = z.infer<typeof Run>;

export const isNow = (run: Run): boolean => run.scope === 'now';
/** A run of this job with a device on it; the others wait unpatched unless asked for. */
export const isLive = (run: Run): boolean => run.device !== '' && isNow(run);
/** A cable that was there before and of which nobody knows yet where it ends. */
export const isUntraced = (run: Run): boolean => run.origin === 'found' && run.room === '' && run.outlet === '';

export const runs = defineTable({
  name: 'runs',
  about: 'plan',
  private: false,
  stations: ['runs'],
  row: 'run',
  one: 'run',
  atMost: 20_000,
  schema: Run,
  title: (row) => row.label,
  keys: [
    {
      what: 'label',
      of: (row) => sameKey(row.label),
      words: (row) => `the label ${row.label}`,
      taken: (row) => `There is a run labelled ${row.label} already: labels are unique within a job.`,
    },
  ],
  refers: [clearedWith('networkId', 'networks')],
});
