import { counted } from '../../base/text/counted';
import { formatWatts } from '../../base/units/power';
import type { Job } from '../../job/document/job';
import type { Run } from '../../job/records/run';
import { takesPower } from '../power/poe';
import { answerOf } from '../survey/answers/answers';
import type { KeptPort } from './keptPorts';
import type { PatchTask } from './patchProblem';
import type { Lack } from './whyPatched';

/** Sizes that switches come in. Common practice, no source. */
const SIZES = [5, 8, 16, 24, 48];

/**
 * What a plan is short of, by how much, and the smallest change that would do: one sentence for each thing.
 * @param lacks each run that is left out with what it lacks
 * @returns null where every run and every link has its port
 */
export function shortWords(
  job: Job,
  task: PatchTask,
  plan: { unkept: readonly { kind: KeptPort['kind']; words: string }[]; left: readonly { runId: string }[] },
  lacks: readonly { lack: Lack; run: Run }[],
): string | null {
  // Every port that fits is taken: of those there are too few with power, while plain ones are left.
  const spare = task.seats.length > task.wanting.length + task.kept.length - plan.left.length;
  const isPowered = ({ lack, run }: { lack: Lack; run: Run }) => lack === 'given' && takesPower(run) && spare;
  const count = (...kinds: Lack[]) => lacks.filter((one) => kinds.includes(one.lack) && !isPowered(one)).length;
  const words: string[] = [];
  const cutOff = plan.unkept.find(({ kind }) => kind === 'gateway');
  if (cutOff) words.push(`No port for ${cutOff.words}: nothing reaches the internet.`);
  const ports = count('port', 'given') + plan.unkept.length;
  if (ports > 0) {
    const links = task.kept.length;
    const size = SIZES.find((one) => one >= ports + 2) ?? 48;
    words.push(
      `${counted(ports, 'switch port')} short: ${counted(task.wanting.length, 'run')}${links > 0 ? ` and ${counted(links, 'port')} for links and gear in the rack` : ''}, ${counted(task.seats.length, 'free port')}. Add a switch with ${size} ports.`,
    );
  }
  const slow = count('speed');
  if (slow > 0)
    words.push(
      `${counted(slow, 'run')} ${slow === 1 ? 'needs' : 'need'} a faster port than any that is free. Add a faster switch, or let ${slow === 1 ? 'it' : 'them'} link slower.`,
    );
  const power = count('power') + lacks.filter(isPowered).length;
  if (power > 0)
    words.push(
      `${counted(power, 'PoE port')} short. Add ${power === 1 ? 'an injector' : 'injectors'} or a PoE switch.`,
    );
  const watts = count('watts');
  if (watts > 0) {
    const left = new Set(plan.left.map(({ runId }) => runId));
    const short = task.wanting
      .filter(({ run, budgetW }) => left.has(run.id) && Number.isFinite(budgetW))
      .reduce((sum, { budgetW }) => sum + budgetW, 0);
    const byClass = task.wanting.filter(
      ({ run }) => takesPower(run) && ((run.poeW ?? 0) === 0 || answerOf(job, 'patch-power') === 'class'),
    ).length;
    const help =
      byClass > 0
        ? `Enter the real draw of ${counted(byClass, 'device')} budgeted by class, or add an injector.`
        : 'Add an injector, or a switch with a larger budget.';
    words.push(`PoE budget short by up to ${formatWatts(short)} for ${counted(watts, 'device')}. ${help}`);
  }
  return words.length === 0 ? null : words.join(' ');
}
