import { figure } from './entry';

/** What the formulas of batteries take. */
export const batteryFormulas = [
  figure('volts', 'Blocks in series', 'V', [24, 1, 500]),
  figure('hours', 'Capacity at the 20-hour rate', 'Ah', [9, 0.1, 1000]),
  figure('efficiency', 'Inverter', '', [0.85, 0.3, 1]),
  figure('watts', 'Load', 'W', [200, 1, 50_000]),
  figure('exponent', 'Exponent', '', [1.2, 1, 1.5]),
];
