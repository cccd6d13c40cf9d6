import {
  boostMaPerAh,
  type Chemistry,
  coldDivisors,
  endOfLifeShare,
  halving,
  lifeYears,
  lithiumColdDivisors,
  lithiumHalving,
  RATED_HOURS,
  rechargeFactor,
} from '../../base/standards/batteries';

/** Minutes by energy alone: too many at high rates. */
export const plainMinutes = (volts: number, ah: number, efficiency: number, loadW: number): number =>
  (60 * volts * ah * efficiency) / loadW;

/**
 * Minutes by Peukert: t = H (C / (I H))^k, and never longer than the energy stored lasts: below the 20-hour rate the
 * formula would give more than the blocks hold.
 * @param volts of all blocks in series
 * @param ah of all strings together, at the 20-hour rate
 */
export function peukertMinutes(volts: number, ah: number, efficiency: number, loadW: number, exponent: number): number {
  const amps = loadW / efficiency / volts;
  return Math.min(
    60 * RATED_HOURS * (ah / (amps * RATED_HOURS)) ** exponent,
    plainMinutes(volts, ah, efficiency, loadW),
  );
}

export type RuntimeRow = { loadW: number; minutes: number };
/** Minutes read from a maker's table; `bound` where the load lies beyond its ends. */
export type TableMinutes = { minutes: number; bound: 'exact' | 'at least' | 'at most' };

/**
 * Minutes between the rows of a maker's table: a straight line in log t against log W, never beyond its ends.
 * @returns null for an empty table
 */
export function tableMinutes(rows: readonly RuntimeRow[], loadW: number): TableMinutes | null {
  const sorted = [...rows].sort((a, b) => a.loadW - b.loadW);
  const [first, last] = [sorted[0], sorted.at(-1)];
  if (!first || !last) return null;
  if (loadW < first.loadW) return { minutes: first.minutes, bound: 'at least' };
  if (loadW > last.loadW) return { minutes: last.minutes, bound: 'at most' };
  const above = sorted.findIndex((row) => row.loadW >= loadW);
  const [high, low] = [sorted[above] ?? last, sorted[Math.max(0, above - 1)] ?? first];
  if (high.loadW === low.loadW) return { minutes: high.minutes, bound: 'exact' };
  const part = Math.log(loadW / low.loadW) / Math.log(high.loadW / low.loadW);
  return { minutes: low.minutes * (high.minutes / low.minutes) ** part, bound: 'exact' };
}

/** How many times longer a battery lasts when its load falls from one to the other. */
export const shedFactor = (fromW: number, toW: number, exponent: number): number => (fromW / toW) ** exponent;

/** What capacity is divided by at a temperature; between the rows on a line, colder than the table on its first line. */
export function coldDivisor(chemistry: Chemistry, atC: number): number {
  const rows = chemistry === 'lithium' ? lithiumColdDivisors : coldDivisors;
  const [coldest, next] = rows;
  if (atC <= coldest.atC) return coldest.by + ((coldest.by - next.by) / (next.atC - coldest.atC)) * (coldest.atC - atC);
  for (let at = 1; at < rows.length; at++) {
    const [low, high] = [rows[at - 1], rows[at]];
    if (low && high && atC <= high.atC) return low.by + ((atC - low.atC) / (high.atC - low.atC)) * (high.by - low.by);
  }
  return 1;
}

/** Years that blocks last at a temperature: above the reference the life of lead-acid halves each 8.3 K, of lithium each 10 K. */
export function lifeAt(chemistry: Chemistry, atC: number): number {
  const { aboveC, eachK } = chemistry === 'lithium' ? lithiumHalving : halving;
  return lifeYears[chemistry] * 0.5 ** (Math.max(0, atC - aboveC) / eachK);
}

/**
 * Share of its capacity that a battery still has: from whole when new to the end at the end of its life, on a line.
 * @returns null past its life: nobody knows what is left
 */
export const agedShare = (years: number, life: number): number | null =>
  years > life ? null : 1 - (1 - endOfLifeShare) * Math.max(0, years / life);

/** Hours until what was taken is back. */
export const rechargeHours = (takenAh: number, chargeA: number): number => (rechargeFactor * takenAh) / chargeA;

/** Fresh air that a charging battery asks for, m³/h. */
export const ventAirM3h = (cells: number, ah: number, chemistry: Chemistry): number =>
  (0.05 * cells * boostMaPerAh[chemistry] * ah) / 1000;

/** Whether a battery unit is large enough: watts and volt-amperes both. */
export const unitLoad = (loadW: number, loadVa: number, ratedW: number, ratedVa: number) => ({
  watts: loadW / ratedW,
  va: loadVa / ratedVa,
  fits: loadW <= ratedW && loadVa <= ratedVa,
});

/** Heat that a battery unit gives off at a load, W. */
export const unitHeatW = (loadW: number, efficiency: number): number => loadW * (1 / efficiency - 1);
