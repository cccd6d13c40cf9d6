import { CATEGORIES, type Category } from '../standards/categoryReach';

const CATEGORY = /\bcat(?:egory)?\.?\s*(5e|6a|6|7a|7|8(?:\.[12])?)(?![\w.])/i;

/**
 * Category of twisted-pair cable by its name.
 * @returns null when the name tells none, as with coax, fibre, or an unnamed cable
 * @example cableCategory('Cat 6A F/UTP') // '6A'
 */
export function cableCategory(cable: string): Category | null {
  const found = CATEGORY.exec(cable)?.[1]?.toLowerCase().split('.')[0];
  return CATEGORIES.find((category) => category.toLowerCase() === found) ?? null;
}
