import { countedWith } from '../../../base/text/listed';
import { isSettled, PROOF_READS, proofs } from '../../../trade/testing/proof';
import { fieldLimitSource } from '../../../trade/testing/testLimit';
import { type Finding, runsNotJudged, type SnagRule } from '../snag';

export const runNotPassed: SnagRule = {
  id: 'run-not-passed',
  why: 'A run that failed its test, or was never tested, is handed over as a guess.',
  source: fieldLimitSource,
  stations: ['prove', 'handover'],
  reads: PROOF_READS,
  find: ({ job }) => {
    const open = proofs(job).filter((one) => !isSettled(one));
    const failed = open.filter(({ verdict }) => verdict === 'failed');
    const [first] = failed;
    const findings: Finding[] = first
      ? [
          {
            grade: 'wont-work',
            runIds: failed.map(({ run }) => run.id),
            what: `${countedWith(
              failed.map(({ run }) => run.label),
              'run',
            )} failed: ${first.words}`,
          },
        ]
      : [];
    const rest = (verdict: string, check: string, missing: string): Finding[] => {
      const some = open.filter((one) => one.verdict === verdict).map(({ run }) => run);
      // One of each kind beside another about the same run has an id of its own.
      return runsNotJudged(some, check, missing).map((one) => ({ ...one, rowIds: [verdict.replace(' ', '-')] }));
    };
    return [
      ...findings,
      ...rest('not tested', 'test', 'a test result'),
      ...rest('incomplete', 'test', 'what its test does not show'),
      ...rest('not judged', 'test', 'what it must be tested to'),
    ];
  },
};
