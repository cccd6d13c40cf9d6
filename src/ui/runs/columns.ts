import { columnWords, RUN_COLUMNS, type RunColumn, rangeOf } from '@/core/trade/runs/runColumns';

/** Widths that differ from the usual one; fractions share the rest. */
const WIDTHS: Partial<Record<RunColumn, string>> = {
  label: 'minmax(58px,0.6fr)',
  floor: 'minmax(58px,0.6fr)',
  room: 'minmax(88px,1fr)',
  outlet: 'minmax(80px,0.9fr)',
  carries: 'minmax(66px,0.5fr)',
  cable: 'minmax(98px,0.9fr)',
  length_m: '48px',
  length_ft: '48px',
  device: 'minmax(104px,1.3fr)',
  poe_w: '46px',
  poe_class: '46px',
  network: 'minmax(74px,0.8fr)',
  critical: '48px',
  jacket: 'minmax(60px,0.6fr)',
  bundle: 'minmax(60px,0.6fr)',
  entry: '58px',
  outlet_height_m: '54px',
  outlet_height_ft: '54px',
  state: '62px',
  origin: '58px',
  scope: '54px',
  notes: 'minmax(60px,0.9fr)',
};

type Heading = { words: string; name: string; width: string; align: 'left' | 'right' };

const headingOf = (column: RunColumn): Heading => {
  const { name, short: words } = columnWords(column);
  const [usual, align] = rangeOf(column) ? (['52px', 'right'] as const) : (['minmax(60px,0.7fr)', 'left'] as const);
  return { words, name, width: WIDTHS[column] ?? usual, align };
};
/** Heading, name and width of each column of the schedule. */
export const HEADINGS = Object.fromEntries(RUN_COLUMNS.map((column) => [column, headingOf(column)])) as Record<
  RunColumn,
  Heading
>;

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
