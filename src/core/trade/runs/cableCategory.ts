import { CATEGORIES, type Category } from '../../base/standards/categoryReach';

const CATEGORY = /\bcat(?:egory)?[-. ]*(5e|6a|6|7a|7|8(?:\.[12])?)(?![\w.])/i;

/** A kind of cable by its name, however it is written: `Cat6`, `CAT 6` and `cat.6` are one. */
export const cableKey = (cable: string): string =>
  cable
    .trim()
    .toLowerCase()
    .replace(/\bcat(?:egory)?[-. ]*(?=\d)/, 'cat ')
    .replace(/\s+/g, ' ');

/** Names of screened cable: a foil or braid before the slash, or around each pair; the ISO/IEC 11801 short forms. */
const SCREENED = /\b(?:sf|s|f)\/[uf]?tp\b|\bu\/ftp\b|\b(?:s|f)tp\b|(?<!un)(?:screened|shielded)/i;
/** Whether a cable is called screened, such as `Cat 6A F/UTP`. */
export const isNamedScreened = (cable: string): boolean => SCREENED.test(cable);

/**
 * Category of twisted-pair cable by its name.
 * @returns null when the name tells none, as with coax, fibre, or an unnamed cable
 * @example cableCategory('Cat 6A F/UTP') // '6A'
 */
export function cableCategory(cable: string): Category | null {
  const found = CATEGORY.exec(cable)?.[1]?.toLowerCase().split('.')[0];
  return CATEGORIES.find((category) => category.toLowerCase() === found) ?? null;
}
