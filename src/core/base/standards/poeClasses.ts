import { published } from './source';

/** A class of Power over Ethernet: what the port must supply and what the device may draw. Watts. */
export type PoeClass = { class: number; pseW: number; pdW: number; pairs: 2 | 4 };

/**
 * IEEE 802.3-2022, clauses 33 and 145. Class 0 is left out: a device of class 0 is treated as class 3.
 * The single-signature figures stand for classes 5 to 8.
 */
export const poeClasses: readonly PoeClass[] = [
  { class: 1, pseW: 4, pdW: 3.84, pairs: 2 },
  { class: 2, pseW: 7, pdW: 6.49, pairs: 2 },
  { class: 3, pseW: 15.4, pdW: 12.95, pairs: 2 },
  { class: 4, pseW: 30, pdW: 25.5, pairs: 2 },
  { class: 5, pseW: 45, pdW: 40, pairs: 4 },
  { class: 6, pseW: 60, pdW: 51, pairs: 4 },
  { class: 7, pseW: 75, pdW: 62, pairs: 4 },
  { class: 8, pseW: 90, pdW: 71.3, pairs: 4 },
];

export const poeSource = published('IEEE 802.3-2022 clauses 33 and 145: power classes');
