import type { z } from 'zod';
import { type Battery, Gear, type GearKind } from '../records/gear';
import { parsePortPattern } from './portPattern';

type Fields = Partial<Omit<z.input<typeof Gear>, 'id' | 'name' | 'kind' | 'heightU' | 'depthMm' | 'massKg' | 'ports'>>;
type Entry = Omit<z.input<typeof Gear>, 'id'>;

/** Name, units, body depth, mass, ports as a pattern, and what else is not as usual. */
type Row = readonly [name: string, heightU: number, depthMm: number, massKg: number, ports?: string, fields?: Fields];

const of = (kind: GearKind, rows: readonly Row[], common: Fields = {}): Entry[] =>
  rows.map(([name, heightU, depthMm, massKg, ports = '', fields = {}]) => ({
    ...common,
    ...fields,
    name,
    kind,
    heightU,
    depthMm,
    massKg,
    ports: parsePortPattern(ports, kind !== 'panel'),
  }));

const FREE: Fields = { frame: 'free', ears: 'none' };
const TEN: Fields = { frame: '10-inch' };
const mains = { inlet: 'c14', inlets: 1 } as const;
/** A line-interactive battery unit with sealed blocks of 12 V. */
const vrla = (ratedW: number, ratedVa: number, blocks: Pick<Battery, 'blocks' | 'blockAh' | 'blockKg'>) =>
  ({ topology: 'vi', ratedW, ratedVa, blockV: 12, ...blocks }) as const;
const brick = { inlet: 'barrel', inlets: 1 } as const;

/** Generic gear without makes; figures typical of the class. The data sheet of the real thing rules. Prices in minor units. */
const ENTRIES: readonly Entry[] = [
  ...of('panel', [
    ['Patch panel, keystone, 12', 1, 90, 0.6, '12×keystone', { priceMinor: 1800 }],
    ['Patch panel, keystone, 16', 1, 100, 0.7, '16×keystone', { priceMinor: 2000 }],
    ['Patch panel, keystone, 24', 1, 110, 0.9, '24×keystone', { priceMinor: 2500 }],
    ['Patch panel, keystone, 48', 2, 110, 1.8, '48×keystone', { priceMinor: 5200 }],
    ['Angled panel, keystone, 24 ports', 1, 130, 1.0, '24×keystone', { angled: true, priceMinor: 4200 }],
    ['Patch panel, punch-down, 24', 1, 60, 0.8, '24×RJ45 cat6', { priceMinor: 2800 }],
    ['Patch panel, punch-down, two-level, 24', 1, 60, 0.8, '24×RJ45 cat6', { rowOrder: 'two-level', priceMinor: 2800 }],
    ['Patch panel, punch-down, screened, 24', 1, 90, 1.2, '24×RJ45 cat6a screened', { priceMinor: 6200 }],
    ['Patch panel, punch-down, 48', 2, 60, 1.5, '48×RJ45 cat6', { priceMinor: 5400 }],
    ['Patch panel, coupler, 24', 1, 80, 0.9, '24×RJ45 cat6a coupler', { priceMinor: 5500 }],
    ['Patch panel, telephone, 50', 1, 60, 1.1, '50×RJ45 telephone', { priceMinor: 3200 }],
    ['Fibre panel, 12 × LC', 1, 230, 2.1, '12×LC', { priceMinor: 6500 }],
    ['Fibre panel, 24 × LC', 1, 230, 2.4, '24×LC', { priceMinor: 9800 }],
    ['Coax panel, 16 × F', 1, 50, 0.8, '16×F', { priceMinor: 4000 }],
    ['Mixed panel, 16 data, 4 fibre, 4 coax', 1, 120, 1.2, '16×RJ45 cat6a; 4×LC; 4×F', { priceMinor: 6800 }],
    ['10-inch panel, 12 keystones', 1, 80, 0.4, '12×keystone', { ...TEN, priceMinor: 1600 }],
  ]),
  ...of(
    'switch',
    [
      ['Switch, 16 × 1G', 1, 200, 2.1, '16×RJ45', { powerW: 14, idleW: 7 }],
      ['Switch, 24 × 1G, 2 × SFP+', 1, 220, 2.8, '24×RJ45; 2×SFP+', { powerW: 25, idleW: 13 }],
      [
        'Switch, 48 × 1G, 4 × SFP+',
        1,
        260,
        3.9,
        '48×RJ45; 4×SFP+',
        { powerW: 45, idleW: 26, noiseDbA: 34, airflow: 'side' },
      ],
      [
        'Switch, 16 × 1G PoE+ 150 W',
        1,
        260,
        3.4,
        '16×RJ45 PoE+; 2×SFP',
        { powerW: 25, idleW: 14, poeBudgetW: 150, noiseDbA: 32 },
      ],
      [
        'Switch, 24 × 1G PoE+ 370 W, 4 × SFP+',
        1,
        330,
        4.8,
        '24×RJ45 PoE+; 4×SFP+',
        { powerW: 45, idleW: 28, poeBudgetW: 370, noiseDbA: 38, airflow: 'side', priceMinor: 42_000, leadDays: 7 },
      ],
      [
        'Switch, 48 × 1G PoE+ 740 W, 4 × SFP+',
        1,
        400,
        6.4,
        '48×RJ45 PoE+; 4×SFP+',
        { powerW: 80, idleW: 48, poeBudgetW: 740, noiseDbA: 42, airflow: 'side', priceMinor: 89_000, leadDays: 14 },
      ],
      [
        'Switch, 24 × 2.5G PoE++ 720 W, 4 × SFP28',
        1,
        380,
        6.1,
        '24×RJ45 2.5G PoE++; 4×SFP28',
        {
          powerW: 85,
          idleW: 52,
          poeBudgetW: 720,
          noiseDbA: 44,
          airflow: 'front-rear',
          priceMinor: 120_000,
          leadDays: 21,
        },
      ],
      ['Fibre switch, 8 × SFP+', 1, 180, 2.0, '8×SFP+', { powerW: 20, idleW: 11 }],
      [
        'Fibre switch, 24 × SFP+, 2 × QSFP28',
        1,
        360,
        5.2,
        '24×SFP+; 2×QSFP28',
        { powerW: 95, idleW: 60, noiseDbA: 45, airflow: 'front-rear' },
      ],
    ],
    mains,
  ),
  ...of('switch', [
    ['Switch, 8 × 1G', 1, 160, 1.2, '8×RJ45', { ...brick, powerW: 8, idleW: 4 }],
    ['Small switch, 5 × 1G', 1, 90, 0.3, '5×RJ45 rear', { ...FREE, ...brick, widthMm: 110, heightMm: 27, powerW: 4 }],
    [
      'Small switch, 8 × 1G PoE+ 60 W',
      1,
      110,
      0.5,
      '8×RJ45 PoE+',
      { ...FREE, ...brick, widthMm: 170, heightMm: 30, powerW: 8, poeBudgetW: 60 },
    ],
    ['10-inch switch, 8 × 1G PoE+ 65 W', 1, 140, 1.1, '8×RJ45 PoE+', { ...TEN, ...brick, powerW: 10, poeBudgetW: 65 }],
  ]),
  ...of('router', [
    [
      'Router, 1 × 2.5G internet, 4 × 1G',
      1,
      220,
      2.4,
      '1×RJ45 2.5G internet; 4×RJ45',
      { ...mains, powerW: 25, idleW: 14 },
    ],
    [
      'Router, 2 × 10G internet, 8 × 2.5G',
      1,
      290,
      3.8,
      '2×SFP+ internet; 8×RJ45 2.5G',
      { ...mains, powerW: 55, idleW: 30, noiseDbA: 35, airflow: 'front-rear' },
    ],
    [
      'Small router, 5 × 1G',
      1,
      120,
      0.4,
      '1×RJ45 internet rear; 4×RJ45 rear',
      { ...FREE, ...brick, widthMm: 180, heightMm: 35, powerW: 10 },
    ],
  ]),
  ...of(
    'modem',
    [
      ['Optical modem', 1, 110, 0.3, '1×RJ45 2.5G rear; 1×SC rear', { widthMm: 160, heightMm: 35, powerW: 12 }],
      ['Cable modem', 1, 150, 0.6, '1×RJ45 2.5G rear; 1×F rear', { widthMm: 60, heightMm: 190, powerW: 14 }],
      ['Cellular modem', 1, 120, 0.5, '1×RJ45 2.5G rear', { widthMm: 120, heightMm: 40, powerW: 15 }],
    ],
    { ...FREE, ...brick },
  ),
  ...of(
    'server',
    [
      ['Server, 1U', 1, 550, 11, '2×RJ45 rear', { powerW: 180, idleW: 70, noiseDbA: 46 }],
      ['Server, 2U', 2, 600, 16, '4×RJ45 rear', { powerW: 250, idleW: 100, noiseDbA: 44, inlets: 2 }],
      ['Server, short, 1U', 1, 380, 7, '2×RJ45 rear', { powerW: 120, idleW: 45, noiseDbA: 42 }],
    ],
    { ...mains, rails: 'needed', railLeastMm: 380, railMostMm: 900, airflow: 'front-rear', ears: 'removable' },
  ),
  ...of('computer', [
    ['Mini PC', 1, 130, 0.6, '1×RJ45 rear', { ...FREE, ...brick, widthMm: 130, heightMm: 50, powerW: 35, idleW: 8 }],
    [
      'Mini PC, two networks',
      1,
      140,
      0.8,
      '2×RJ45 2.5G rear',
      { ...FREE, ...brick, widthMm: 145, heightMm: 45, powerW: 45, idleW: 10 },
    ],
    ['Heating hub', 1, 95, 0.2, '1×RJ45 100M rear', { ...FREE, ...brick, widthMm: 95, heightMm: 28, powerW: 4 }],
    ['Lighting hub', 1, 95, 0.2, '1×RJ45 100M rear', { ...FREE, ...brick, widthMm: 95, heightMm: 26, powerW: 3 }],
  ]),
  ...of(
    'storage',
    [
      ['Storage, 4 drives, 1U', 1, 480, 9.5, '2×RJ45 2.5G rear; 1×SFP+ rear', { powerW: 75, idleW: 30, noiseDbA: 40 }],
      [
        'Storage, 8 drives, 2U',
        2,
        530,
        15,
        '2×RJ45 2.5G rear; 2×SFP+ rear',
        { powerW: 150, idleW: 60, noiseDbA: 42, inlets: 2 },
      ],
    ],
    { ...mains, rails: 'needed', railLeastMm: 400, railMostMm: 900, airflow: 'front-rear' },
  ),
  ...of('storage', [
    [
      'Storage, 2 drives, table',
      1,
      225,
      2.3,
      '1×RJ45 2.5G rear',
      { ...FREE, ...brick, widthMm: 105, heightMm: 165, powerW: 30, idleW: 10 },
    ],
  ]),
  ...of(
    'recorder',
    [
      [
        'Recorder, 4 drives',
        1,
        350,
        7.5,
        '1×RJ45; 1×SFP+',
        { powerW: 60, idleW: 30, noiseDbA: 36, airflow: 'front-rear' },
      ],
      [
        'Recorder, 8 drives',
        2,
        420,
        12.5,
        '2×RJ45; 2×SFP+',
        {
          powerW: 110,
          idleW: 55,
          noiseDbA: 40,
          airflow: 'front-rear',
          rails: 'may',
          railLeastMm: 350,
          railMostMm: 800,
        },
      ],
    ],
    mains,
  ),
  ...of(
    'ups',
    [
      [
        'UPS, 1U, 500 W',
        1,
        380,
        14,
        '',
        {
          outlets: [{ count: 4, kind: 'c13', backing: 'battery' }],
          heatW: 25,
          battery: vrla(500, 750, { blocks: 2, blockAh: 7, blockKg: 2.5 }),
        },
      ],
      ['UPS, 2U', 2, 405, 26, '', { outlets: [{ count: 6, kind: 'c13' }], heatW: 45, noiseDbA: 32 }],
      [
        'UPS, 2U, 1500 W',
        2,
        480,
        32,
        '1×RJ45 100M rear',
        {
          outlets: [
            { count: 4, kind: 'c13', backing: 'battery' },
            { count: 4, kind: 'c13', backing: 'battery', switched: true },
          ],
          heatW: 70,
          noiseDbA: 40,
          battery: vrla(1500, 1500, { blocks: 4, blockAh: 9, blockKg: 2.7 }),
        },
      ],
      ['Battery pack, 2U', 2, 480, 38, '', { heatW: 5, inlet: 'none', inlets: 0 }],
    ],
    { ...mains, rails: 'needed', railLeastMm: 340, railMostMm: 900 },
  ),
  ...of('distribution', [
    [
      'Distribution unit, 8 outlets',
      1,
      60,
      1.4,
      '',
      { outlets: [{ count: 8 }], inlet: 'cord', inlets: 1, priceMinor: 3500 },
    ],
    [
      'Distribution unit, 8 outlets, behind',
      1,
      60,
      1.4,
      '',
      { outlets: [{ count: 8 }], inlet: 'cord', inlets: 1, priceMinor: 3500, notes: 'Outlets to the rear' },
    ],
    [
      'Distribution unit, metered, 8 outlets',
      1,
      120,
      2.2,
      '1×RJ45 100M rear',
      { outlets: [{ count: 8 }], inlet: 'cord', inlets: 1, powerW: 4, priceMinor: 22_000 },
    ],
    [
      '10-inch distribution unit, 5 outlets',
      1,
      50,
      0.8,
      '',
      { ...TEN, outlets: [{ count: 5 }], inlet: 'cord', inlets: 1 },
    ],
    [
      'Distribution unit, upright, 12 outlets',
      14,
      50,
      2.4,
      '',
      { frame: 'upright', ears: 'none', widthMm: 52, outlets: [{ count: 12 }], inlet: 'cord', inlets: 1 },
    ],
    [
      'Distribution unit, upright, 24 outlets',
      36,
      50,
      4.6,
      '',
      { frame: 'upright', ears: 'none', widthMm: 55, outlets: [{ count: 24 }], inlet: 'cord', inlets: 1 },
    ],
  ]),
  ...of('injector', [
    [
      'Power injector, 30 W',
      1,
      75,
      0.2,
      '2×RJ45',
      { ...FREE, inlet: 'c8', inlets: 1, widthMm: 60, heightMm: 35, powerW: 4, poeBudgetW: 30 },
    ],
    ['Power injector, 8 × 30 W', 1, 200, 2.4, '16×RJ45', { ...mains, powerW: 20, poeBudgetW: 240 }],
  ]),
  ...of('shelf', [
    ['Shelf, 250 mm', 1, 250, 1.8, '', { widthMm: 440, carriesKg: 15, priceMinor: 2200 }],
    ['Shelf, 250 mm, 2U', 2, 250, 2.2, '', { widthMm: 440, carriesKg: 20, priceMinor: 2600 }],
    [
      'Shelf, fixed to four posts, 400 mm',
      1,
      400,
      3.4,
      '',
      { widthMm: 435, carriesKg: 50, rails: 'needed', railLeastMm: 300, railMostMm: 500, priceMinor: 4200 },
    ],
    [
      'Shelf, sliding, 400 mm',
      1,
      400,
      4.6,
      '',
      { widthMm: 410, carriesKg: 25, rails: 'needed', railLeastMm: 380, railMostMm: 620, priceMinor: 6900 },
    ],
    ['10-inch shelf, 150 mm', 1, 150, 0.7, '', { ...TEN, widthMm: 215, carriesKg: 6 }],
  ]),
  ...of('drawer', [
    ['Drawer, lockable, 2U', 2, 400, 5.5, '', { widthMm: 400, carriesKg: 12 }],
    ['Drawer, lockable, 3U', 3, 400, 6.8, '', { widthMm: 400, carriesKg: 15 }],
  ]),
  ...of('kit', [
    ['Mount kit for two narrow devices', 1, 250, 1.1, '', { widthMm: 440, bays: 2, carriesKg: 8 }],
    ['Mount kit for three narrow devices', 1, 200, 1.2, '', { widthMm: 440, bays: 3, carriesKg: 6 }],
  ]),
  ...of('cassette', [
    ['Cassettes with retractable cords, 24', 1, 180, 3.2, '', { notes: 'Cords of 24 ports roll up into it' }],
  ]),
  ...of('manager', [
    ['Horizontal manager', 1, 70, 0.6, '', { priceMinor: 1500, fillMm2: 2000 }],
    ['Horizontal manager with cover', 1, 80, 0.9, '', { priceMinor: 2400, fillMm2: 2000 }],
    ['Horizontal manager, 2U', 2, 90, 1.2, '', { priceMinor: 3000, fillMm2: 4500 }],
    ['Strain-relief bar', 1, 110, 0.5, '', { priceMinor: 1200 }],
  ]),
  ...of('brush', [
    ['Brush plate', 1, 20, 0.4, '', { priceMinor: 1400 }],
    ['10-inch brush plate', 1, 20, 0.2, '', TEN],
  ]),
  ...of('fan', [
    ['Fan tray, 2 fans', 1, 200, 2.0, '', { ...mains, powerW: 12, noiseDbA: 34, airflow: 'up', flowM3h: 200 }],
    [
      'Fan panel with thermostat',
      1,
      60,
      1.2,
      '',
      { ...brick, powerW: 10, noiseDbA: 30, airflow: 'rear-front', flowM3h: 120, thermostatC: 35 },
    ],
  ]),
  ...of('blank', [
    ['Blank', 1, 10, 0.3, '', { priceMinor: 600 }],
    ['Blank, vented', 1, 10, 0.3, '', { priceMinor: 700 }],
    ['Blank, 2U', 2, 10, 0.5, '', { priceMinor: 900 }],
    ['10-inch blank', 1, 10, 0.1, '', TEN],
  ]),
];

export type LibraryEntry = Omit<Gear, 'id'>;
let library: readonly LibraryEntry[] | null = null;

/** The built-in library, in the order in which it is offered. Made when it is first asked for: most pages never do. */
export function gearLibrary(): readonly LibraryEntry[] {
  const schema = Gear.omit({ id: true });
  library ??= ENTRIES.map((entry) => schema.parse(entry));
  return library;
}

/** How many entries it has. */
export const librarySize = ENTRIES.length;

/** What a new job mostly begins with, as places in the library. */
export const starterGear: readonly number[] = [
  'Patch panel, keystone, 24',
  'Patch panel, keystone, 48',
  'Switch, 8 × 1G',
  'Switch, 24 × 1G, 2 × SFP+',
  'Switch, 24 × 1G PoE+ 370 W, 4 × SFP+',
  'Switch, 48 × 1G PoE+ 740 W, 4 × SFP+',
  'Router, 1 × 2.5G internet, 4 × 1G',
  'Recorder, 4 drives',
  'Server, 2U',
  'UPS, 2U',
  'Distribution unit, 8 outlets',
  'Shelf, 250 mm',
  'Optical modem',
  'Horizontal manager',
  'Brush plate',
  'Blank',
].map((name) => ENTRIES.findIndex((entry) => entry.name === name));

/** A name that no other device of the job has: the wanted one, or the wanted one with a number behind it. */
export function freeGearName(wanted: string, taken: Iterable<string>): string {
  const names = new Set([...taken].map((name) => name.toLocaleLowerCase('en')));
  if (!names.has(wanted.toLocaleLowerCase('en'))) return wanted;
  for (let number = 2; ; number++) {
    const name = `${wanted} (${number})`;
    if (!names.has(name.toLocaleLowerCase('en'))) return name;
  }
}
