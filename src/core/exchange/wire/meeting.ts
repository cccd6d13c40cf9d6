import { z } from 'zod';
import { line } from '../../job/records/fields';

/** What one of two people at the two ends of a cable tells the other. */
export const MARKS = ['here', 'this', 'tone', 'landed', 'passed', 'failed', 'gone'] as const;
export type Mark = (typeof MARKS)[number];
export const MARK_WORDS: Record<Mark, string> = {
  here: 'is here',
  this: 'is at this one',
  tone: 'hears the tone',
  landed: 'landed it',
  passed: 'it passes',
  failed: 'it fails',
  gone: 'is gone',
};

/** Words that are told apart over a bad line, two of which nobody mixes up. */
export const CODE_WORDS = [
  'Anchor',
  'Basket',
  'Candle',
  'Dolphin',
  'Engine',
  'Feather',
  'Garden',
  'Hammer',
  'Island',
  'Jacket',
  'Kettle',
  'Lantern',
  'Magnet',
  'Needle',
  'Orchard',
  'Pepper',
  'Quarry',
  'Ribbon',
  'Saddle',
  'Tunnel',
  'Velvet',
  'Window',
  'Yellow',
  'Zipper',
] as const;

export const ENDS = ['panel', 'room', ''] as const;
export type End = (typeof ENDS)[number];

/** A word to whoever else is at this job now. It is kept nowhere. */
export const Meeting = z.strictObject({
  /** Of the window that says it. */
  id: z.string().regex(/^[A-Za-z0-9-]{8,64}$/),
  name: line(60).default(''),
  /** Where they are in the job: a station, or at the rack. */
  place: line(40).default(''),
  /** Two who say the same word are the two ends of one cable; empty: nobody's partner. */
  code: z.enum(CODE_WORDS).or(z.literal('')).default(''),
  end: z.enum(ENDS).default(''),
  mark: z.enum(MARKS),
  runId: z.string().max(64).nullable().default(null),
});
export type Meeting = z.infer<typeof Meeting>;
export const Said = z.object({ said: z.boolean() });
