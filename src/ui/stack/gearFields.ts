import { PLUG_KINDS, plugNames } from '@/core/base/standards/outlets';
import { formatOutletPattern, parseOutletPattern } from '@/core/job/gear/outletPattern';
import { parsePortPattern, portPattern } from '@/core/job/gear/portPattern';
import { GEAR_KINDS, type GearKind, OUTAGE_WORDS, type OutletGroup, type PortGroup } from '@/core/job/records/gear';
import { choices, type FieldGroup } from '../kit/RecordForm';

export const KIND_WORDS: Record<GearKind, string> = {
  panel: 'patch panel',
  switch: 'switch',
  router: 'router',
  modem: 'modem',
  server: 'server',
  computer: 'small computer or hub',
  storage: 'storage',
  recorder: 'recorder',
  ups: 'UPS',
  distribution: 'distribution unit',
  injector: 'power injector',
  shelf: 'shelf',
  drawer: 'drawer',
  kit: 'mount kit',
  cassette: 'cord cassettes',
  manager: 'manager',
  brush: 'brush plate',
  fan: 'fans',
  blank: 'blank',
  other: 'other',
};

const THREADS = choices({ M6: 'M6', M5: 'M5', '10-32': '10-32', '12-24': '12-24' });

/** Everything that is said of a device, in the order in which its data sheet is read. */
// biome-ignore lint/complexity/noExcessiveLinesPerFunction: a table of fields, row after row
export const gearFields = (kind: GearKind): FieldGroup[] => [
  {
    title: 'What it is',
    fields: [
      { name: 'name', label: 'Name', kind: 'text', help: 'As it is marked on its front.' },
      { name: 'shortName', label: 'Short name', kind: 'text', help: 'On sheets, drawings and labels.' },
      {
        name: 'kind',
        label: 'Kind',
        kind: 'choice',
        options: GEAR_KINDS.map((value) => ({ value, words: KIND_WORDS[value] })),
      },
      { name: 'heightU', label: 'Height', kind: 'number', unit: 'U' },
      { name: 'massKg', label: 'Mass', kind: 'mass', none: true },
      {
        name: 'ports',
        label: 'Ports',
        kind: 'own',
        wide: true,
        help:
          kind === 'panel'
            ? 'Groups such as 24×RJ45 cat6a screened; 12×keystone coupler; 4×LC. Also punch, tool-less, fibre, coax, rear, 2 rows.'
            : 'Groups such as 24×RJ45 1G PoE+ 2 rows; 4×SFP+. Also rear, internet, 60W, pitch 16 mm, at 120 mm.',
        own: {
          show: (value) => portPattern((value as PortGroup[]) ?? []),
          read: (text) => parsePortPattern(text, kind !== 'panel'),
        },
      },
    ],
  },
  ...cordFields(kind),
  {
    title: 'Room',
    fields: [
      { name: 'depthMm', label: 'Body depth', kind: 'size' },
      { name: 'widthMm', label: 'Body width', kind: 'size', none: true, help: 'Empty: as usual. Of a shelf: inside.' },
      { name: 'heightMm', label: 'Free height', kind: 'size', none: true, help: 'Of what stands on a shelf.' },
      {
        name: 'frame',
        label: 'Made for',
        kind: 'choice',
        options: choices({
          '19-inch': '19-inch rails',
          '10-inch': '10-inch rails',
          upright: 'upright at a side',
          free: 'a shelf',
        }),
      },
      { name: 'plugFrontMm', label: 'Plugs in front', kind: 'size', none: true, help: 'Empty: by its ports.' },
      { name: 'plugRearMm', label: 'Plugs behind', kind: 'size', none: true, help: 'Empty: by its inlets.' },
    ],
  },
  {
    title: 'How it is held',
    fields: [
      {
        name: 'ears',
        label: 'Ears',
        kind: 'choice',
        options: choices({ fixed: 'fixed', removable: 'come off', none: 'none' }),
      },
      {
        name: 'holes',
        label: 'Holes',
        kind: 'choice',
        options: choices({ standard: 'as standard', outer: 'outermost', middle: 'middle', all: 'all' }),
      },
      {
        name: 'screwThread',
        label: 'Screws with it',
        kind: 'own',
        none: true,
        help: 'M6, M5, 10-32, 12-24 or empty.',
        own: thread(),
      },
      {
        name: 'rails',
        label: 'Rails',
        kind: 'choice',
        options: choices({ none: 'none', may: 'may have', needed: 'needs' }),
      },
      { name: 'railLeastMm', label: 'Rails reach from', kind: 'size', none: true },
      { name: 'railMostMm', label: 'Rails reach to', kind: 'size', none: true },
      { name: 'carriesKg', label: 'Carries', kind: 'mass', none: true },
      { name: 'bays', label: 'Bays', kind: 'number', help: 'Of a mount kit.' },
    ],
  },
  {
    title: 'Mains',
    fields: [
      { name: 'powerW', label: 'Own power at most', kind: 'number', unit: 'W', none: true },
      { name: 'idleW', label: 'Idle', kind: 'number', unit: 'W', none: true },
      { name: 'poeBudgetW', label: 'PoE budget', kind: 'number', unit: 'W' },
      {
        name: 'inOutage',
        label: 'While the mains are out',
        kind: 'choice',
        options: choices(OUTAGE_WORDS),
      },
      {
        name: 'inlet',
        label: 'Inlet',
        kind: 'choice',
        options: choices({
          none: 'none',
          c6: 'C6',
          c8: 'C8',
          c14: 'C14',
          c20: 'C20',
          barrel: 'low-voltage plug',
          cord: 'fixed cord',
        }),
      },
      { name: 'inlets', label: 'Inlets', kind: 'number' },
      {
        name: 'supplies',
        label: 'Of several',
        kind: 'choice',
        options: choices({ share: 'share the load', standby: 'one stands by' }),
      },
      {
        name: 'plug',
        label: 'Its cord ends in',
        kind: 'choice',
        none: true,
        options: PLUG_KINDS.map((value) => ({ value, words: plugNames[value] })),
        help: 'Not known: a cord is bought, or the household plug.',
      },
      {
        name: 'plugWidthMm',
        label: 'Plug or supply is wide',
        kind: 'size',
        none: true,
        help: 'In the outlet. Empty: as usual.',
      },
      { name: 'powerFactor', label: 'Power factor', kind: 'number', none: true },
      { name: 'efficiency', label: 'Efficiency', kind: 'number', none: true, help: 'Such as 0.9.' },
      { name: 'inrushA', label: 'Inrush, cold', kind: 'number', unit: 'A', none: true },
      { name: 'leakMa', label: 'Leaks to earth', kind: 'number', unit: 'mA', none: true },
      {
        name: 'inputA',
        label: 'Its plug is rated',
        kind: 'number',
        unit: 'A',
        none: true,
        help: 'Of a strip. Empty: as its kind.',
      },
      {
        name: 'outlets',
        label: 'Mains outlets',
        kind: 'own',
        wide: true,
        help: 'Groups such as 6×C13 battery; 2×C13 switched after 5 s apart 1 s; 8. Also surge, measured, pitch 31 mm.',
        own: {
          show: (value) => formatOutletPattern((value as OutletGroup[]) ?? []),
          read: parseOutletPattern,
        },
      },
    ],
  },
  {
    title: 'Heat and noise',
    fields: [
      { name: 'heatW', label: 'Heat', kind: 'number', unit: 'W', none: true, help: 'Empty: all it draws.' },
      { name: 'mostC', label: 'Stands air of', kind: 'number', unit: '°C', none: true },
      {
        name: 'airflow',
        label: 'Air goes',
        kind: 'choice',
        options: choices({
          none: 'no fan',
          'front-rear': 'front to rear',
          'rear-front': 'rear to front',
          side: 'side to side',
          up: 'up',
        }),
      },
      { name: 'noiseDbA', label: 'Noise', kind: 'number', unit: 'dB(A)', none: true },
      {
        name: 'noiseIs',
        label: 'Noise is',
        kind: 'choice',
        options: choices({ pressure: 'heard at 1 m', power: 'declared power' }),
      },
      ...(kind === 'fan'
        ? [
            { name: 'flowM3h', label: 'Moves in the open', kind: 'number' as const, unit: 'm³/h', none: true },
            {
              name: 'thermostatC',
              label: 'Starts at',
              kind: 'number' as const,
              unit: '°C',
              none: true,
              help: 'Empty: always runs.',
            },
          ]
        : []),
    ],
  },
  {
    title: 'Buying',
    fields: [
      { name: 'priceMinor', label: 'Price', kind: 'money', none: true },
      { name: 'leadDays', label: 'Days to get it', kind: 'number', none: true },
      { name: 'notes', label: 'Notes', kind: 'text', wide: true },
    ],
  },
];

const YES_NO = choices({ false: 'no', true: 'yes' });

/** What landing and patching go by, for the kinds of gear that have it. */
function cordFields(kind: GearKind): FieldGroup[] {
  if (kind === 'panel')
    return [
      {
        title: 'Cables and cords',
        fields: [
          {
            name: 'rowOrder',
            label: 'Blocks behind',
            kind: 'choice',
            options: choices({ straight: 'straight, 1 to 24', 'two-level': 'two levels, odd above even' }),
          },
          { name: 'angled', label: 'Angled to both sides', kind: 'choice', options: YES_NO },
        ],
      },
    ];
  if (kind === 'switch' || kind === 'router')
    return [
      {
        title: 'Networks',
        fields: [
          {
            name: 'managed',
            label: 'Managed',
            kind: 'choice',
            options: YES_NO,
            help: 'Its sockets can be put into networks.',
          },
          {
            name: 'loopGuard',
            label: 'Redundancy protocol',
            kind: 'choice',
            options: YES_NO,
            help: 'Keeps rings from going round (IEEE 802.1D).',
          },
          {
            name: 'powersUnasked',
            label: 'Gives power unasked',
            kind: 'choice',
            options: YES_NO,
            help: 'It puts its volts on the pairs whatever hangs there.',
          },
        ],
      },
    ];
  if (kind === 'manager' || kind === 'brush')
    return [
      {
        title: 'Cords',
        fields: [
          { name: 'fillMm2', label: 'Room for cords', kind: 'number', unit: 'mm²', none: true, help: 'Cross-section.' },
        ],
      },
    ];
  return [];
}

/** A thread as typed; nothing is none. What it cannot be, the record's schema says. */
function thread() {
  return {
    show: (value: unknown) => (value === null || value === undefined ? '' : String(value)),
    read: (text: string) => {
      const wanted = text.trim().toLowerCase();
      return wanted === '' ? null : (THREADS.find((one) => one.value.toLowerCase() === wanted)?.value ?? text.trim());
    },
  };
}
