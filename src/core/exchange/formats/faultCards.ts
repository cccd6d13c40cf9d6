import type { Job } from '../../job/document/job';
import { proofs, wireMapOf } from '../../trade/testing/proof';
import { readingOf } from '../../trade/testing/wireMap';

/** A card for one run that failed: what is wrong, and what to do, least effort first. */
export type FaultCard = {
  runId: string;
  label: string;
  where: string;
  words: string;
  todo: string[];
  place: string | null;
  tested: string;
};

/** Cards of all runs that failed their latest test. */
export const faultCards = (job: Job): FaultCard[] =>
  proofs(job).flatMap(({ run, state, words, results }) => {
    const [latest] = results;
    if (state !== 'failed' || !latest) return [];
    const reading = latest.map === '' ? null : readingOf(wireMapOf(latest));
    const slow = latest.speedMbps !== null && run.speedMbps !== null && latest.speedMbps < run.speedMbps;
    return [
      {
        runId: run.id,
        label: run.label,
        where: [run.floor, run.room, run.outlet, run.device].filter(Boolean).join(', '),
        words,
        todo:
          reading && reading.todo.length > 0
            ? reading.todo
            : slow
              ? ['Change the cord at the device and the patch cord; test the run alone; then end its jacks anew.']
              : ['Test it once more with the tester’s own cords; take its wire map down.'],
        place: reading?.place ?? null,
        tested: [latest.at.replace('T', ' '), latest.by, job.testers[latest.testerId ?? '']?.name]
          .filter(Boolean)
          .join(', '),
      },
    ];
  });
