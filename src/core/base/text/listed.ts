import { counted } from './counted';

const SHOWN = 4;

/** `01, 02, 03, 04 and 5 more`; names with commas in them are parted by semicolons. */
export function listed(names: readonly string[], shown = SHOWN): string {
  const some = names.slice(0, shown).join(names.some((one) => one.includes(',')) ? '; ' : ', ');
  return names.length > shown ? `${some} and ${names.length - shown} more` : some;
}

/** `3 screened cables (01, 02, 03)`; one is named alone: `screened cable 01`. */
export const countedWith = (names: readonly string[], one: string): string =>
  names.length === 1
    ? `${one.charAt(0).toUpperCase()}${one.slice(1)} ${names[0]}`
    : `${counted(names.length, one)} (${listed(names)})`;
