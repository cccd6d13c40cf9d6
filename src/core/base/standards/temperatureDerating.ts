import { published } from './source';

/** Loss of length for each degree above 20 degrees Celsius. */
export const temperatureDerating = {
  fromC: 20,
  kneeC: 40,
  toC: 60,
  unscreened: { belowKnee: 0.004, aboveKnee: 0.006 },
  screened: { belowKnee: 0.002, aboveKnee: 0.002 },
} as const;

export const temperatureSource = published('ISO/IEC 11801-1; ANSI/TIA-568.2: length and temperature');
