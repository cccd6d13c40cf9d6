import { choices, type FieldGroup } from '../kit/RecordForm';

/** Everything that is said of a rack. */
export const rackFields = (others: readonly { id: string; name: string }[]): FieldGroup[] => [
  {
    title: 'Rack',
    fields: [
      { name: 'name', label: 'Name', kind: 'text' },
      { name: 'shortName', label: 'Short name', kind: 'text', help: 'On sheets, drawings and labels.' },
      { name: 'units', label: 'Height', kind: 'number', unit: 'U' },
      { name: 'depthMm', label: 'Usable depth', kind: 'size', help: 'Front rails to the back.' },
      {
        name: 'frame',
        label: 'Rails',
        kind: 'choice',
        options: choices({ '19-inch': '19-inch', '10-inch': '10-inch' }),
      },
      {
        name: 'numbering',
        label: 'Units are numbered',
        kind: 'choice',
        options: choices({ 'from-bottom': 'from the bottom: U1 lowest', 'from-top': 'from the top: U1 highest' }),
      },
      {
        name: 'standing',
        label: 'It stands',
        kind: 'choice',
        options: choices({ floor: 'on the floor', wall: 'on a wall', table: 'on a table' }),
      },
      { name: 'baseMm', label: 'Floor to lowest unit', kind: 'size', none: true },
      {
        name: 'stackedOn',
        label: 'Stacked on',
        kind: 'own',
        none: true,
        help: others.length > 0 ? `Empty, or ${others.map((one) => one.name).join(', ')}.` : 'There is no other.',
        own: {
          show: (value) => others.find((one) => one.id === value)?.name ?? '',
          read: (text) =>
            text.trim() === '' ? null : (others.find((one) => one.name === text.trim())?.id ?? text.trim()),
        },
      },
    ],
  },
  {
    title: 'Rails and holes',
    fields: [
      { name: 'posts', label: 'Posts', kind: 'choice', options: choices({ 4: 'four', 2: 'two' }) },
      { name: 'rearRailMm', label: 'Rear rails at', kind: 'size', none: true, help: 'Empty: at the back.' },
      { name: 'rearRailLeastMm', label: 'can be set from', kind: 'size', none: true },
      { name: 'rearRailMostMm', label: 'to', kind: 'size', none: true },
      {
        name: 'innerRailMm',
        label: 'Second rear rails at',
        kind: 'size',
        none: true,
        help: 'Extension rails, if any.',
      },
      { name: 'innerFromU', label: 'from unit', kind: 'number', none: true },
      { name: 'innerToU', label: 'to unit', kind: 'number', none: true },
      {
        name: 'holePattern',
        label: 'Holes a unit',
        kind: 'choice',
        options: choices({ universal: 'three', wide: 'two' }),
      },
      {
        name: 'fixing',
        label: 'Holes are',
        kind: 'choice',
        options: choices({ 'cage-nut': 'square, cage nuts', threaded: 'threaded' }),
      },
      {
        name: 'thread',
        label: 'Thread',
        kind: 'choice',
        options: choices({ M6: 'M6', M5: 'M5', '10-32': '10-32', '12-24': '12-24' }),
      },
    ],
  },
  {
    title: 'Box',
    fields: [
      {
        name: 'door',
        label: 'Door',
        kind: 'choice',
        options: choices({ none: 'none', glass: 'glass', solid: 'solid', vented: 'vented' }),
      },
      { name: 'frontClearanceMm', label: 'Rails to door', kind: 'size', none: true },
      { name: 'sideRoomMm', label: 'Room at each side', kind: 'size', none: true },
      {
        name: 'hinge',
        label: 'Swings out',
        kind: 'choice',
        options: choices({ none: 'no', left: 'hinged left', right: 'hinged right' }),
      },
      {
        name: 'roof',
        label: 'Roof',
        kind: 'choice',
        options: choices({ closed: 'closed', vented: 'vented', fan: 'with fans', open: 'open' }),
      },
      {
        name: 'sides',
        label: 'Sides',
        kind: 'choice',
        options: choices({ closed: 'closed', vented: 'vented', removable: 'come off', open: 'open' }),
      },
      {
        name: 'entry',
        label: 'Cables come in',
        kind: 'choice',
        options: choices({ top: 'at the top', bottom: 'at the bottom', either: 'at either end' }),
      },
      {
        name: 'entryDepthMm',
        label: 'Entry behind the front rails',
        kind: 'size',
        none: true,
        help: 'Empty: at the back.',
      },
      {
        name: 'entryAcrossMm',
        label: 'Entry from the left',
        kind: 'size',
        none: true,
        help: 'Empty: in the middle.',
      },
      {
        name: 'internet',
        label: 'Internet comes in',
        kind: 'choice',
        options: choices({ none: 'elsewhere', top: 'at the top', bottom: 'at the bottom' }),
      },
      { name: 'outerWidthMm', label: 'Outer width', kind: 'size', none: true },
      { name: 'outerHeightMm', label: 'Outer height', kind: 'size', none: true },
      { name: 'outerDepthMm', label: 'Outer depth', kind: 'size', none: true },
      { name: 'emptyKg', label: 'Empty', kind: 'mass', none: true },
      { name: 'ratedLoadKg', label: 'Rated for', kind: 'mass', none: true },
    ],
  },
];
