import type { LinePattern, Network } from '../../../job/records/network';

/** Strokes and gaps of a line pattern, in units in which the line is 2 wide. */
export const lineDashes: Record<LinePattern, readonly number[]> = {
  solid: [],
  dashed: [7, 3.5],
  dotted: [2, 3],
  'dash-dot': [8, 3, 2, 3],
  'long-dash': [13, 4],
  'double-dot': [2, 2.5, 2, 7],
};

/** Colours of networks on paper: those of the light theme. */
export const paperInk: Record<Network['colour'], string> = {
  blue: '#1f5fa8',
  orange: '#b45309',
  green: '#2f7d32',
  red: '#b3261e',
  violet: '#6d3fa0',
  teal: '#0f766e',
  brown: '#6b4423',
  grey: '#57534e',
};
