import type { RunColumn } from '@/core/trade/runs/runColumns';

/** Heading and width of each column of the schedule; fractions share what is left. */
export const HEADINGS: Record<RunColumn, { words: string; width: string; align?: 'right' }> = {
  label: { words: 'Label', width: 'minmax(58px,0.6fr)' },
  floor: { words: 'Floor', width: 'minmax(58px,0.6fr)' },
  room: { words: 'Room', width: 'minmax(88px,1fr)' },
  outlet: { words: 'Outlet', width: 'minmax(80px,0.9fr)' },
  carries: { words: 'Carries', width: 'minmax(66px,0.5fr)' },
  cable: { words: 'Cable', width: 'minmax(98px,0.9fr)' },
  length_m: { words: 'm', width: '48px', align: 'right' },
  length_ft: { words: 'ft', width: '48px', align: 'right' },
  device: { words: 'Device', width: 'minmax(104px,1.3fr)' },
  speed_mbps: { words: 'Mb/s', width: '52px', align: 'right' },
  poe_w: { words: 'PoE W', width: '46px', align: 'right' },
  poe_class: { words: 'Class', width: '46px', align: 'right' },
  network: { words: 'Network', width: 'minmax(74px,0.8fr)' },
  critical: { words: 'Critical', width: '48px' },
  jacket: { words: 'Jacket', width: 'minmax(60px,0.6fr)' },
  bundle: { words: 'Bundle', width: 'minmax(60px,0.6fr)' },
  entry: { words: 'Entry', width: '58px' },
  tail_m: { words: 'Tail m', width: '52px', align: 'right' },
  tail_ft: { words: 'Tail ft', width: '52px', align: 'right' },
  outlet_height_m: { words: 'High m', width: '54px', align: 'right' },
  outlet_height_ft: { words: 'High ft', width: '54px', align: 'right' },
  state: { words: 'State', width: '62px' },
  origin: { words: 'Origin', width: '58px' },
  scope: { words: 'Scope', width: '54px' },
  asked_by: { words: 'Asked by', width: 'minmax(60px,0.7fr)' },
  notes: { words: 'Notes', width: 'minmax(60px,0.9fr)' },
};

export const NAMES: Record<RunColumn, string> = {
  label: 'Label',
  floor: 'Floor',
  room: 'Room',
  outlet: 'Outlet',
  carries: 'Carries',
  cable: 'Cable',
  length_m: 'Length in metres',
  length_ft: 'Length in feet',
  device: 'Device',
  speed_mbps: 'Speed in Mb/s',
  poe_w: 'PoE watts',
  poe_class: 'PoE class',
  network: 'Network',
  critical: 'Critical',
  jacket: 'Jacket colour',
  bundle: 'Bundle',
  entry: 'Entry side',
  tail_m: 'Free tail in metres',
  tail_ft: 'Free tail in feet',
  outlet_height_m: 'Height of the outlet in metres',
  outlet_height_ft: 'Height of the outlet in feet',
  state: 'State',
  origin: 'Origin',
  scope: 'Scope',
  asked_by: 'Asked by',
  notes: 'Notes',
};

/** Sets of columns: what one looks at together. Each begins with the label and the room. */
export const COLUMN_SETS = {
  devices: {
    words: 'Places and devices',
    without: [
      'poe_class',
      'jacket',
      'bundle',
      'entry',
      'tail_m',
      'tail_ft',
      'outlet_height_m',
      'outlet_height_ft',
      'state',
      'origin',
      'scope',
      'asked_by',
    ],
  },
  cable: {
    words: 'Cable and state',
    without: [
      'floor',
      'device',
      'speed_mbps',
      'poe_w',
      'poe_class',
      'network',
      'critical',
      'outlet_height_m',
      'outlet_height_ft',
      'asked_by',
    ],
  },
  all: { words: 'Every column', without: [] },
} as const satisfies Record<string, { words: string; without: readonly RunColumn[] }>;
export type ColumnSet = keyof typeof COLUMN_SETS;

export const columnsOf = (set: ColumnSet, columns: RunColumn[]): RunColumn[] => {
  const without: readonly RunColumn[] = COLUMN_SETS[set].without;
  return columns.filter((column) => !without.includes(column));
};

export const gridOf = (columns: RunColumn[]): string =>
  `var(--tick) ${columns.map((column) => HEADINGS[column].width).join(' ')} var(--tick)`;

/** Narrower than this the columns are scrolled sideways within the table, px. */
export const leastWidth = (columns: RunColumn[]): number => 80 + columns.length * 66;
