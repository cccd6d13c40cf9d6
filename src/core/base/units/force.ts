import { NEWTON_PER_POUND } from '../standards/withdrawal';
import type { Units } from './length';

/** Exact by definition. */
const KG_PER_POUND = 0.453_592_37;

/** A mass with its unit, to the tenth. */
export const formatMass = (kg: number, units: Units): string =>
  units === 'metric' ? `${Number(kg.toFixed(1))} kg` : `${Number((kg / KG_PER_POUND).toFixed(1))} lb`;

/** A force with its unit, whole. */
export const formatForce = (newton: number, units: Units): string =>
  units === 'metric' ? `${Math.round(newton)} N` : `${Math.round(newton / NEWTON_PER_POUND)} lbf`;

/** A force as typed in the job's unit, without it. */
export const forceToField = (newton: number, units: Units): string =>
  String(Number((units === 'metric' ? newton : newton / NEWTON_PER_POUND).toFixed(1)));
export const forceUnit = (units: Units): 'N' | 'lbf' => (units === 'metric' ? 'N' : 'lbf');

/** Newtons from a number as typed, or null when it is none. */
export function parseForce(text: string, units: Units): number | null {
  const value = Number(text.trim().replace(',', '.'));
  if (text.trim() === '' || !Number.isFinite(value)) return null;
  return units === 'metric' ? value : Math.round(value * NEWTON_PER_POUND * 100) / 100;
}

/** Kilograms as typed in the job's unit, without it. */
export const massToField = (kg: number, units: Units): string => formatMass(kg, units).split(' ')[0] ?? '';
export const massUnit = (units: Units): 'kg' | 'lb' => (units === 'metric' ? 'kg' : 'lb');

/** Kilograms from a number as typed, or null when it is none. */
export function parseMass(text: string, units: Units): number | null {
  const value = Number(text.trim().replace(',', '.'));
  if (text.trim() === '' || !Number.isFinite(value)) return null;
  return units === 'metric' ? value : Math.round(value * KG_PER_POUND * 1000) / 1000;
}
