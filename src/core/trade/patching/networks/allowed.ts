import type { Job } from '../../../job/document/job';

/** Networks that a switch may carry, by its id; a switch that is not among them may carry all. */
export function allowedNetworks(job: Job): Map<string, Set<string>> {
  const allowed = new Map<string, Set<string>>();
  for (const { gearId, networkId } of Object.values(job.allowances)) {
    const set = allowed.get(gearId) ?? new Set();
    set.add(networkId);
    allowed.set(gearId, set);
  }
  return allowed;
}
