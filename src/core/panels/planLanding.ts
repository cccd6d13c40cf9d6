import { canLand, isPanel, portsOf } from '../gear/ports';
import type { Job } from '../job/job';
import { indexJob, portKey } from '../job/jobIndex';
import type { Gear } from '../job/records/gear';
import { isNow, type Run } from '../job/records/run';

export type PanelPort = { panelId: string; port: number };
export type LandingPlan = {
  landings: (PanelPort & { runId: string })[];
  left: { runId: string; why: string }[];
};

/** Panels in the order in which they are filled: from the top of the rack down, unplaced ones last. */
export const panelsInOrder = (job: Job): Gear[] => indexJob(job).gearInOrder.filter(isPanel);

/** Ports for all runs of this job that are not landed yet, in label order; what is landed stays. */
export function planLanding(job: Job, only?: ReadonlySet<string>): LandingPlan {
  const index = indexJob(job);
  const free = panelsInOrder(job).flatMap((panel) =>
    portsOf(panel)
      .filter((port) => !index.landingAtPort.has(portKey(panel.id, port.number)))
      .map((port) => ({ panelId: panel.id, port: port.number, connector: port.connector })),
  );
  const plan: LandingPlan = { landings: [], left: [] };
  for (const run of index.runsInOrder) {
    if (!isNow(run) || index.landingOfRun.has(run.id) || (only && !only.has(run.id))) continue;
    const at = free.findIndex((port) => canLand(port.connector, run.carries));
    const [port] = at < 0 ? [] : free.splice(at, 1);
    if (port) plan.landings.push({ runId: run.id, panelId: port.panelId, port: port.port });
    else plan.left.push({ runId: run.id, why: whyNoPort(run, free.length) });
  }
  return plan;
}

const whyNoPort = (run: Run, freePorts: number): string =>
  freePorts === 0
    ? `${run.label} finds no free panel port.`
    : `${run.label} carries ${run.carries}, and no free panel port takes that.`;
