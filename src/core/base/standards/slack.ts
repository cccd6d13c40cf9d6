import { commonPractice, fromMemory } from './source';

/** Spare cable left at both ends, mm. It counts in the permanent link. */
export const slack = { cabinetMm: 3000, outletCopperMm: 300, outletFibreMm: 1000 } as const;
export const slackSource = fromMemory('ANSI/TIA-568.1: slack at the ends, a recommendation');

/** Habits of pulling cable. Common practice, no source. */
export const pulling = {
  /** A rest shorter than this is of no use for another run. */
  reusableMm: 15_000,
  /** String left over at each end of a pathway. */
  stringOverMm: 1000,
  /** Lengths that fish tape is sold in. */
  fishTapesMm: [7_500, 15_000, 20_000, 30_000, 60_000],
  /** The tail that a cable needs beyond the port so that its panel can be drawn forward. */
  serviceLoopMm: 500,
} as const;
export const pullingSource = commonPractice;

/** Cords at the outlet that a channel of 100 m is planned with. */
export const outletCordSource = fromMemory('ANSI/TIA-568.1: cords at the outlet of up to 5 m');
