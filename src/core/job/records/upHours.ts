import { z } from 'zod';
import { amount, Id, name, whole } from './fields';
import { defineTable } from './table';
import { hour } from './visit';

export const SERVICE_DAYS = ['every', 'working'] as const;

/** When a service must be up, and how much it counts. */
export const UpHours = z
  .strictObject({
    id: Id,
    service: name(60),
    weight: amount(0, 1000).nullable().default(null).describe('null: as is usual'),
    days: z.enum(SERVICE_DAYS).default('every'),
    from: hour.nullable().default(null).describe('must be up from; null: it may go at any time'),
    to: hour.nullable().default(null),
    alsoNeeds: z.array(Id).max(40).default([]).describe('devices that it needs beside those that were derived'),
    without: z.array(Id).max(40).default([]).describe('derived devices that it does not need'),
    mostMin: whole(0, 10_000).nullable().default(null).describe('may be down so long; null: nobody said'),
  })
  .meta({ id: 'UpHours' });
export type UpHours = z.infer<typeof UpHours>;

export const upHours = defineTable({
  name: 'upHours',
  about: 'building',
  private: false,
  stations: ['build'],
  row: 'up_hours',
  one: 'hours of a service',
  many: 'hours of services',
  atMost: 60,
  schema: UpHours,
  title: (row) => row.service,
  keys: [{ what: 'service', of: (row) => row.service.toLowerCase(), words: (row) => `the service ${row.service}` }],
  fault: (row) =>
    (row.from === null) === (row.to === null) ? null : 'Hours need both an end and a beginning, or neither.',
});
