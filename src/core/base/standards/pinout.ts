import { published } from './source';

export const WIRINGS = ['A', 'B'] as const;
export type Wiring = (typeof WIRINGS)[number];
export type Pin = { pin: number; colour: string; pair: 1 | 2 | 3 | 4 };

const pair = (colour: string, of: 1 | 2 | 3 | 4) => [
  { colour: `white-${colour}`, pair: of },
  { colour, pair: of },
];
const [blue, orange, green, brown] = [pair('blue', 1), pair('orange', 2), pair('green', 3), pair('brown', 4)] as [
  Omit<Pin, 'pin'>[],
  Omit<Pin, 'pin'>[],
  Omit<Pin, 'pin'>[],
  Omit<Pin, 'pin'>[],
];
/** Pins 1-2 take the first pair, 3 and 6 the second, 4-5 blue the other way round, 7-8 brown. */
const wired = (first: Omit<Pin, 'pin'>[], second: Omit<Pin, 'pin'>[]): Pin[] =>
  [first[0], first[1], second[0], blue[1], blue[0], second[1], brown[0], brown[1]].map((one, at) => ({
    pin: at + 1,
    ...(one as Omit<Pin, 'pin'>),
  }));

/** Colour and pair at each pin of an eight-way jack. */
export const pinouts: Record<Wiring, Pin[]> = { A: wired(green, orange), B: wired(orange, green) };
export const pinoutSource = published('ANSI/TIA-568.0, 568.1: T568A and T568B');

/** Pins of one end as they arrive at the other where one end is A and the other B: only pairs 2 and 3 change place. */
export function crossed(from: Wiring, to: Wiring): number[] {
  return pinouts[from].map(({ colour }) => pinouts[to].find((pin) => pin.colour === colour)?.pin ?? 0);
}
