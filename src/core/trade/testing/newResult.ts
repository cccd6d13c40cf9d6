import type { Job } from '../../job/document/job';
import { type Result, results } from '../../job/records/result';
import type { Tester } from '../../job/records/tester';
import { nextSeq } from './proof';

/** Whether a tester detects split pairs; null: nobody said. A certification always measures crosstalk. */
export const detectsSplits = (tester: Pick<Tester, 'tells' | 'seesSplits'> | null): boolean | null =>
  tester === null ? null : tester.tells === 'certified' ? true : tester.seesSplits;

/**
 * A result as it is entered now: numbered after all others of the job, and with split pairs as far as its tester sees
 * them. @param split whether the tester showed split pairs
 */
export function newResult(
  job: Job,
  tester: Tester | null,
  fields: Omit<Parameters<typeof results.make>[0], 'seq' | 'testerId' | 'tells' | 'splitSeen'>,
  { split = false, at = 0 }: { split?: boolean; at?: number } = {},
): Result {
  return results.make({
    ...fields,
    seq: nextSeq(job) + at,
    testerId: tester?.id ?? null,
    tells: tester?.tells ?? 'continuity',
    // A fail says nothing of pairs that it did not name.
    splitSeen: detectsSplits(tester) && (fields.passed || split) ? split : null,
  });
}
