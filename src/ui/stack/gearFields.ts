import { parsePortPattern, portPattern } from '@/core/gear/portPattern';
import { GEAR_KINDS, type GearKind, type PortGroup } from '@/core/records/gear';
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
    title: 'Power, heat, noise',
    fields: [
      { name: 'powerW', label: 'Own power at most', kind: 'number', unit: 'W', none: true },
      { name: 'idleW', label: 'Idle', kind: 'number', unit: 'W', none: true },
      { name: 'heatW', label: 'Heat', kind: 'number', unit: 'W', none: true, help: 'Empty: all it draws.' },
      { name: 'poeBudgetW', label: 'PoE budget', kind: 'number', unit: 'W' },
      { name: 'noiseDbA', label: 'Noise', kind: 'number', unit: 'dB(A)', none: true },
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
      { name: 'outlets', label: 'Mains outlets', kind: 'number' },
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
