import { householdPlug, type OutletKind, UNKNOWN_PITCH_MM, usualPitchMm } from '../../base/standards/outlets';
import type { RuleSetId } from '../../base/standards/ruleSets';
import type { BACKINGS, Gear, OutletGroup } from './gear';

/** What an outlet is: as entered, else the household kind of the region; of a battery unit, and where there is none, not known. */
export const outletKindOf = (
  kind: OutletKind | null,
  of: Pick<Gear, 'kind'> | null,
  rules: RuleSetId,
): OutletKind | null => kind ?? (of?.kind === 'ups' ? null : householdPlug[rules]);

/** Inlets of a device that want a plug: one for each, or for its own supply or cord. */
export const inletCount = ({ inlet, inlets }: Pick<Gear, 'inlet' | 'inlets'>): number =>
  inlet === 'none' ? 0 : Math.max(1, inlets);

export const outletCount = ({ outlets }: Pick<Gear, 'outlets'>): number =>
  outlets.reduce((sum, group) => sum + group.count, 0);

/** Groups of outlets of which only the number is known; a group holds 48 at most. */
export function groupsOfCount(count: number): OutletGroup[] {
  const groups: OutletGroup[] = [];
  for (let rest = Math.min(count, 384); rest > 0; rest -= 48)
    groups.push({
      count: Math.min(48, rest),
      kind: null,
      pitchMm: null,
      backing: null,
      switched: false,
      measured: false,
      onAfterS: 0,
      apartS: 0,
    });
  return groups;
}

/** One mains outlet of a device, numbered from 1 through all its groups. */
export type MainsOutlet = {
  number: number;
  kind: OutletKind | null;
  /** What is behind it; of a UPS of which nobody said it, not known. */
  backing: (typeof BACKINGS)[number] | 'unknown';
  switched: boolean;
  measured: boolean;
  /** Seconds after the mains return. */
  onAfterS: number;
  /** Its middle along the row, mm from the middle of the first. */
  xMm: number;
};

/** All mains outlets of a device in order. */
export function outletsOf({ kind: gearKind, outlets }: Pick<Gear, 'kind' | 'outlets'>): MainsOutlet[] {
  const row: MainsOutlet[] = [];
  let xMm = 0;
  let before = 0;
  for (const { count, kind, pitchMm, backing, onAfterS, apartS, switched, measured } of outlets) {
    const pitch = pitchOf({ kind, pitchMm });
    for (let at = 0; at < count; at++) {
      if (row.length > 0) xMm += at === 0 ? (before + pitch) / 2 : pitch;
      row.push({
        number: row.length + 1,
        kind,
        backing: backing ?? (gearKind === 'ups' ? 'unknown' : 'none'),
        switched,
        measured,
        onAfterS: onAfterS + at * apartS,
        xMm,
      });
    }
    before = pitch;
  }
  return row;
}

/** Middle to middle, mm. */
export const pitchOf = ({ kind, pitchMm }: Pick<OutletGroup, 'kind' | 'pitchMm'>): number =>
  pitchMm ?? (kind === null ? UNKNOWN_PITCH_MM : usualPitchMm[kind]);
