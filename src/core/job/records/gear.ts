import { z } from 'zod';
import { amount, Id, line, name, whole } from './fields';

export const GEAR_KINDS = [
  'panel',
  'switch',
  'router',
  'server',
  'recorder',
  'ups',
  'distribution',
  'shelf',
  'manager',
  'brush',
  'blank',
  'other',
] as const;
export type GearKind = (typeof GEAR_KINDS)[number];

export const CONNECTORS = ['rj45', 'keystone', 'sfp', 'sfp+', 'lc', 'f'] as const;
export type Connector = (typeof CONNECTORS)[number];

/** A row of like ports. Ports are numbered through the device, group after group, from 1. */
export const PortGroup = z.strictObject({
  count: whole(1, 96),
  connector: z.enum(CONNECTORS),
  speedMbps: whole(1, 800_000).nullable().default(null).describe('fastest speed; null on a panel'),
  poeW: amount(0, 100).default(0).describe('watts one port can supply'),
  use: z.enum(['access', 'internet']).default('access'),
});
export type PortGroup = z.infer<typeof PortGroup>;

/** Anything that takes rack units. */
export const Gear = z
  .strictObject({
    id: Id,
    name: name(),
    kind: z.enum(GEAR_KINDS),
    heightU: whole(1, 20).describe('rack units'),
    depthMm: whole(1, 2000).describe('body behind the front rails, mm'),
    massKg: amount(0, 1000).default(0),
    powerW: amount(0, 20_000).default(0).describe('own draw at most, without what its ports supply'),
    noiseDbA: amount(0, 150).nullable().default(null),
    poeBudgetW: amount(0, 20_000).default(0).describe('watts all its ports together can supply'),
    ports: z.array(PortGroup).max(12).default([]),
    notes: line(500).default(''),
  })
  .meta({ id: 'Gear' });
export type Gear = z.infer<typeof Gear>;
