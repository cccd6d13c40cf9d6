import type { RunColumn } from '@/core/formats/runColumns';

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
  network: { words: 'Network', width: 'minmax(74px,0.8fr)' },
  critical: { words: 'Critical', width: '48px' },
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
  network: 'Network',
  critical: 'Critical',
  notes: 'Notes',
};

export const gridOf = (columns: RunColumn[]): string =>
  `${columns.map((column) => HEADINGS[column].width).join(' ')} 30px`;
