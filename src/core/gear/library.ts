import type { z } from 'zod';
import { Gear } from '../job/records/gear';

type Entry = Omit<z.input<typeof Gear>, 'id'>;

/** Generic gear without makes; figures typical of the class. The data sheet of the real thing rules. */
const ENTRIES: Entry[] = [
  {
    name: 'Patch panel, keystone, 24',
    kind: 'panel',
    heightU: 1,
    depthMm: 110,
    massKg: 0.9,
    ports: [{ count: 24, connector: 'keystone' }],
  },
  {
    name: 'Patch panel, keystone, 48',
    kind: 'panel',
    heightU: 2,
    depthMm: 110,
    massKg: 1.8,
    ports: [{ count: 48, connector: 'keystone' }],
  },
  {
    name: 'Switch, 8 × 1G',
    kind: 'switch',
    heightU: 1,
    depthMm: 160,
    massKg: 1.2,
    powerW: 8,
    ports: [{ count: 8, connector: 'rj45', speedMbps: 1000 }],
  },
  {
    name: 'Switch, 24 × 1G, 2 × SFP+',
    kind: 'switch',
    heightU: 1,
    depthMm: 220,
    massKg: 2.8,
    powerW: 25,
    ports: [
      { count: 24, connector: 'rj45', speedMbps: 1000 },
      { count: 2, connector: 'sfp+', speedMbps: 10_000 },
    ],
  },
  {
    name: 'Switch, 24 × 1G PoE+ 370 W, 4 × SFP+',
    kind: 'switch',
    heightU: 1,
    depthMm: 330,
    massKg: 4.8,
    powerW: 45,
    noiseDbA: 38,
    poeBudgetW: 370,
    ports: [
      { count: 24, connector: 'rj45', speedMbps: 1000, poeW: 30 },
      { count: 4, connector: 'sfp+', speedMbps: 10_000 },
    ],
  },
  {
    name: 'Switch, 48 × 1G PoE+ 740 W, 4 × SFP+',
    kind: 'switch',
    heightU: 1,
    depthMm: 400,
    massKg: 6.4,
    powerW: 80,
    noiseDbA: 42,
    poeBudgetW: 740,
    ports: [
      { count: 48, connector: 'rj45', speedMbps: 1000, poeW: 30 },
      { count: 4, connector: 'sfp+', speedMbps: 10_000 },
    ],
  },
  {
    name: 'Router, 1 × 2.5G internet, 4 × 1G',
    kind: 'router',
    heightU: 1,
    depthMm: 220,
    massKg: 2.4,
    powerW: 25,
    ports: [
      { count: 1, connector: 'rj45', speedMbps: 2500, use: 'internet' },
      { count: 4, connector: 'rj45', speedMbps: 1000 },
    ],
  },
  { name: 'Recorder, 4 drives', kind: 'recorder', heightU: 1, depthMm: 350, massKg: 7.5, powerW: 60, noiseDbA: 36 },
  { name: 'Server, 2U', kind: 'server', heightU: 2, depthMm: 600, massKg: 16, powerW: 250, noiseDbA: 44 },
  { name: 'UPS, 2U', kind: 'ups', heightU: 2, depthMm: 405, massKg: 26, noiseDbA: 32 },
  { name: 'Distribution unit, 8 outlets', kind: 'distribution', heightU: 1, depthMm: 60, massKg: 1.4 },
  { name: 'Horizontal manager', kind: 'manager', heightU: 1, depthMm: 70, massKg: 0.6 },
  { name: 'Brush plate', kind: 'brush', heightU: 1, depthMm: 20, massKg: 0.4 },
  { name: 'Shelf, 250 mm', kind: 'shelf', heightU: 1, depthMm: 250, massKg: 1.8 },
  { name: 'Blank', kind: 'blank', heightU: 1, depthMm: 10, massKg: 0.3 },
];

/** The built-in library, in the order in which it is offered. */
export const gearLibrary: readonly Omit<Gear, 'id'>[] = ENTRIES.map((entry) => Gear.omit({ id: true }).parse(entry));

/** A name that no other device of the job has: the wanted one, or the wanted one with a number behind it. */
export function freeGearName(wanted: string, taken: Iterable<string>): string {
  const names = new Set([...taken].map((name) => name.toLocaleLowerCase('en')));
  if (!names.has(wanted.toLocaleLowerCase('en'))) return wanted;
  for (let number = 2; ; number++) {
    const name = `${wanted} (${number})`;
    if (!names.has(name.toLocaleLowerCase('en'))) return name;
  }
}
