import type { Job } from './job';
import { stampsOf } from './stamps';
import type { RecordOf, TableName } from './tables';

/**
 * What of a job something is worked out of: tables, of some of them only these fields, and of the head the units and the rules. What
 * was worked out holds until one of them changes.
 */
export type Reads = { [T in TableName]?: true | readonly (keyof RecordOf<T>)[] } & { units?: true; rules?: true };

/** Fields that most things are only named and put in order by. */
const NAMES: Partial<Record<TableName, string>> = { runs: 'label', gear: 'name', racks: 'name' };

export type ReadTokens = { judged: readonly unknown[]; named: readonly unknown[] };

/** What is read, as tokens that stay the very same while it does: names apart from the rest. */
export function readTokens(job: Job, reads: Reads): ReadTokens {
  const [judged, named]: [unknown[], unknown[]] = [[], []];
  for (const [part, fields] of Object.entries(reads)) {
    if (part === 'units' || part === 'rules') judged.push(job[part]);
    // Until another answer is given, the one of the region stands.
    else if (part === 'answers') judged.push(job.answers, job.rules, job.country);
    else if (fields === true) judged.push(job[part as TableName]);
    else {
      const stamps = stampsOf(job, part as TableName);
      for (const field of fields as readonly string[])
        (NAMES[part as TableName] === field ? named : judged).push(stamps[field]);
    }
  }
  return { judged, named };
}

/** Whether all of this is still the very same. */
export const sameTokens = (a: readonly unknown[], b: readonly unknown[]): boolean =>
  a.every((token, at) => token === b[at]);

/** A job and the one that is confirmed of it are asked in turn. */
const MOST_KEPT = 3;

/**
 * What is worked out of a job, worked out again only when something that it reads changed.
 * @param byName whether names and labels count; without, it must come to the same whatever anything is called
 */
export function keptBy<R>(reads: Reads, make: (job: Job) => R, byName = true): (job: Job) => R {
  let kept: { tokens: readonly unknown[]; made: R }[] = [];
  return (job) => {
    const { judged, named } = readTokens(job, reads);
    const tokens = byName ? [...judged, ...named] : judged;
    const there = kept.find((one) => sameTokens(one.tokens, tokens));
    if (there) return there.made;
    const made = make(job);
    // A draft changes in place: only what is final is kept.
    if (Object.isFrozen(job)) kept = [{ tokens, made }, ...kept].slice(0, MOST_KEPT);
    return made;
  };
}
