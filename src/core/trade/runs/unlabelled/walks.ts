import { naturalOrder } from '../../../base/text/naturalOrder';
import { sameKey } from '../../../base/text/sameKey';
import type { Job } from '../../../job/document/job';
import type { Jack } from '../../../job/records/jack';
import { figureOf } from '../../survey/answers/answers';
import { siteOf } from '../../survey/answers/site';
import { jackFindings } from './findings';

export type WalkPlan = {
  /** Jacks to visit on each walk, one remote into each. */
  walks: Jack[][];
  /** No plan has fewer: a remote stands in one jack at a time, and every open jack needs one once. */
  leastWalks: number;
  proven: boolean;
};

/**
 * Walks through the open jacks with so many remotes: the fewest there can be. Jacks of one floor go together as far as
 * they fill a walk; that second wish is met by rule, not proven.
 */
export function planWalks(job: Job, remotes = figureOf(job, 'remotes')): WalkPlan {
  const open = jackFindings(job)
    .filter((finding) => finding.state === 'not asked' || finding.state === 'contradiction')
    .map((finding) => finding.jack);
  const hands = Math.max(1, Math.floor(remotes));
  const level = (jack: Jack) => siteOf(job).floorByName.get(sameKey(jack.floor))?.level ?? 0;
  const sorted = [...open].sort(
    (a, b) =>
      level(a) - level(b) ||
      naturalOrder(a.floor, b.floor) ||
      naturalOrder(a.room, b.room) ||
      naturalOrder(a.outlet, b.outlet),
  );
  const floors = new Map<string, Jack[]>();
  for (const jack of sorted) floors.set(sameKey(jack.floor), [...(floors.get(sameKey(jack.floor)) ?? []), jack]);
  const walks: Jack[][] = [];
  const rests: Jack[][] = [];
  for (const jacks of floors.values()) {
    for (let at = 0; at < jacks.length; at += hands) {
      const part = jacks.slice(at, at + hands);
      (part.length === hands ? walks : rests).push(part);
    }
  }
  // What is left of each floor: whole rests together where they fit, else filled up to the last remote.
  const leastWalks = Math.ceil(open.length / hands);
  const packed: Jack[][] = [];
  for (const rest of rests.sort((a, b) => b.length - a.length)) {
    const home = packed.find((walk) => walk.length + rest.length <= hands);
    if (home) home.push(...rest);
    else packed.push([...rest]);
  }
  if (walks.length + packed.length > leastWalks) {
    const flat = packed.flat();
    packed.length = 0;
    for (let at = 0; at < flat.length; at += hands) packed.push(flat.slice(at, at + hands));
  }
  walks.push(...packed);
  return { walks, leastWalks, proven: walks.length === leastWalks };
}
