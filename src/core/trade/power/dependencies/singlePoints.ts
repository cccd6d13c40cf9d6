import type { Job } from '../../../job/document/job';
import { type Part, partName, partsOf } from './parts';
import { changesFor, shorterBy } from './remedies';
import { type Lost, lossOf } from './trip';

export type SinglePoint = {
  part: Part;
  name: string;
  lost: readonly Lost[];
  /** How grave it is: the internet, what is critical and what is many weigh most. */
  weight: number;
  /** The cheapest change that takes it away, or what would shorten it where none does. */
  remedy: string;
  removes: boolean;
};

/** Weight of a service that is gone altogether. Common practice, no source. */
const WEIGHTS: Readonly<Record<string, number>> = {
  Internet: 40,
  Telephones: 15,
  Doors: 15,
  Recording: 12,
  Wireless: 10,
  Cameras: 10,
};
const USUAL_WEIGHT = 6;
export const serviceWeight = (service: string): number => WEIGHTS[service] ?? USUAL_WEIGHT;
const CRITICAL_WEIGHT = 3;

/** Everything whose failure alone takes a service or a device away, gravest first. */
export function singlePoints(job: Job): SinglePoint[] {
  return partsOf(job)
    .flatMap((part): SinglePoint[] => {
      const { now, cutNow, darkNow } = lossOf(job, part);
      if (now.length === 0) return [];
      const critical = cutNow.filter((id) => job.runs[id]?.critical).length;
      const weight =
        now.reduce((sum, { service, lost, of }) => sum + (serviceWeight(service) * lost) / of, 0) +
        critical * CRITICAL_WEIGHT;
      return [{ part, name: partName(job, part), lost: now, weight, ...remedyFor(job, part, darkNow) }];
    })
    .sort((a, b) => b.weight - a.weight);
}

/**
 * The cheapest change that takes a single point of failure away: each is tried, from the cheapest on, and the first after
 * which nothing is lost any more is taken. Where none does: what would shorten it.
 */
function remedyFor(job: Job, part: Part, dark: readonly string[]): Pick<SinglePoint, 'remedy' | 'removes'> {
  const change = changesFor(job, part, dark).find((one) => lossOf(one.job, part).now.length === 0);
  return change ? { remedy: change.words, removes: true } : { remedy: shorterBy(job, part), removes: false };
}
