import { channelLossDb, type FibreKind, fibreLoss } from '../../base/standards/links';
import type { Result } from '../../job/records/result';
import type { Run } from '../../job/records/run';
import { moduleFor } from '../patching/uplinks/uplinkFacts';
import { fibreKindOf, isSingleMode } from '../runs/fibreKind';

/** What a fibre test lacks before its loss can be judged (tier 1 of ANSI/TIA-568.3 and ISO/IEC 14763-3). */
const NEEDED = {
  lossDb: 'loss',
  lengthM: 'length',
  matedPairs: 'number of mated pairs',
  splices: 'number of splices',
  wavelengthNm: 'wavelength',
} as const;

/** Most that a kilometre of fibre may lose at a wavelength, dB (ANSI/TIA-568.3). */
export const perKmDb = (fibre: FibreKind, wavelengthNm: number): number =>
  isSingleMode(fibre)
    ? fibreLoss.singleIndoorPerKmDb
    : wavelengthNm >= LONG_WAVE_NM
      ? fibreLoss.multiLongWavePerKmDb
      : fibreLoss.multiPerKmDb;
/** Between the windows of 850 and 1300 nm. */
const LONG_WAVE_NM = 1100;

/** Most that a tested link may lose, dB: its length, its mated pairs and its splices (ANSI/TIA-568.3). */
export const fibreLimitDb = (
  fibre: FibreKind,
  { lengthM, matedPairs, splices, wavelengthNm }: Record<'lengthM' | 'matedPairs' | 'splices' | 'wavelengthNm', number>,
): number =>
  (lengthM / 1000) * perKmDb(fibre, wavelengthNm) + matedPairs * fibreLoss.matedPairDb + splices * fibreLoss.spliceDb;

/** Least that the length alone loses, dB: the lowest loss that cable of its kind is specified with. From memory. */
export const fibreLeastDb = (fibre: FibreKind, lengthM: number, wavelengthNm: number): number =>
  (lengthM / 1000) *
  (isSingleMode(fibre)
    ? fibreLoss.singleLeastPerKmDb
    : wavelengthNm >= LONG_WAVE_NM
      ? fibreLoss.multiLongWavePerKmDb
      : fibreLoss.multiLeastPerKmDb);

/** Loss that the modules of a run allow, dB, with the module; null: the speed or the module is not known. */
export function moduleBudget(run: Run, lengthM: number): { module: string; db: number } | null {
  const fibre = fibreKindOf(run.cable);
  if (fibre === null || run.speedMbps === null) return null;
  const { module, fibre: fits } = moduleFor(run.speedMbps, lengthM * 1000, fibre);
  const db = module && fits === fibre ? channelLossDb[module.name]?.[fibre] : undefined;
  return module && db !== undefined ? { module: module.name, db } : null;
}

/** Why the loss of a fibre is too much, whatever its tester says; null: it is not, or not enough is known. */
export function fibreFault(run: Run, result: Result): string | null {
  const { lossDb, lengthM, matedPairs, splices, wavelengthNm } = result;
  const fibre = fibreKindOf(run.cable);
  if (lossDb === null || fibre === null) return null;
  const budget = moduleBudget(run, lengthM ?? 0);
  if (budget && lossDb > budget.db)
    return `Loss ${lossDb} dB is above the ${budget.db} dB that ${budget.module} allows over ${fibre}.`;
  if (lengthM === null || matedPairs === null || splices === null || wavelengthNm === null) return null;
  const most = fibreLimitDb(fibre, { lengthM, matedPairs, splices, wavelengthNm });
  return lossDb > most + 1e-9 ? `Loss ${lossDb} dB is above the ${most.toFixed(2)} dB limit for this link.` : null;
}

/** What keeps a passed fibre test from counting: what was not recorded, or a reference that cannot be right. */
export function fibreGaps(run: Run, result: Result): string[] {
  const fibre = fibreKindOf(run.cable);
  const { lossDb, lengthM, wavelengthNm } = result;
  const missing = (Object.keys(NEEDED) as (keyof typeof NEEDED)[])
    .filter((field) => result[field] === null)
    .map((field): string => NEEDED[field]);
  if (result.end === '') missing.push('direction');
  if (fibre === null) missing.push('kind of fibre');
  if (run.speedMbps === null) missing.push('speed of its modules');
  else if (fibre !== null && lengthM !== null && moduleBudget(run, lengthM) === null)
    missing.push('budget of its modules');
  const gaps = missing.length > 0 ? [`Not recorded: ${missing.join(', ')}`] : [];
  if (lossDb !== null && lossDb < 0) gaps.push(`Loss ${lossDb} dB is below zero: check the reference`);
  else if (lossDb !== null && fibre !== null && lengthM !== null) {
    const least = fibreLeastDb(fibre, lengthM, wavelengthNm ?? LONG_WAVE_NM);
    if (lossDb < least)
      gaps.push(`Loss ${lossDb} dB is less than ${lengthM} m of fibre alone loses: check the reference`);
  }
  return gaps;
}
