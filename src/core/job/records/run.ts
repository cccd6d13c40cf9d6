import { z } from 'zod';
import { amount, Id, line, whole } from './fields';

export const CARRIES = ['ethernet', 'fibre', 'coax', 'telephone', 'speaker', 'other'] as const;
export type Carries = (typeof CARRIES)[number];

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
    lengthMm: whole(1, 10_000_000).nullable().default(null).describe('fixed cable, mm; null unknown'),
    device: line(80).default('').describe('what hangs on it; empty: spare'),
    speedMbps: whole(1, 800_000).nullable().default(null).describe('speed wanted'),
    poeW: amount(0, 1000).default(0).describe('watts the device takes over the cable'),
    networkId: Id.nullable().default(null),
    critical: z.boolean().default(false),
    notes: line(500).default(''),
  })
  .meta({ id: 'Run' });
export type Run = z.infer<typeof Run>;

/** A run with a device on it; the others wait unpatched unless asked for. */
export const isLive = (run: Run): boolean => run.device !== '';
