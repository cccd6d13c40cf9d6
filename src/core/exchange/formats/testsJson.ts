import type { Job } from '../../job/document/job';
import { testPace, yieldsBy } from '../../trade/testing/figures';
import { gateOf } from '../../trade/testing/gate';
import { proofs, provenBy } from '../../trade/testing/proof';

/** Everything that was tested, with what is still open, for other programs. */
export function testsJson(job: Job): string {
  const runs = proofs(job).map(({ run, state, verdict, words, marks, results, acceptance }) => ({
    label: run.label,
    floor: run.floor,
    room: run.room,
    outlet: run.outlet,
    state,
    verdict,
    why: words,
    marks,
    accepted: acceptance && { by: acceptance.by, why: acceptance.why, at: acceptance.at },
    results: results.map(({ id, runId: _, testerId, ...more }) => ({
      id,
      tester: job.testers[testerId ?? '']?.name ?? null,
      ...more,
    })),
  }));
  const { left } = testPace(job, '2000-01-01');
  const made = {
    job: job.name,
    provenBy: provenBy(job),
    left,
    runs,
    others: gateOf(job)
      .filter(({ kind }) => kind !== 'run')
      .map(({ kind, name, state, words }) => ({ kind, name, state, why: words })),
    yields: { byJack: yieldsBy(job, 'jack'), byPerson: yieldsBy(job, 'person'), byDay: yieldsBy(job, 'day') },
    testers: Object.values(job.testers).map(({ id: _, ...tester }) => tester),
  };
  return `${JSON.stringify(made, null, 2)}\n`;
}
