import type { Command } from '../../../job/commands/commands';
import { rowCommands } from '../../../job/commands/rowCommands';
import type { Job } from '../../../job/document/job';
import type { Advice, Adviser } from './advice';
import { categoryAdvice } from './category';
import { choiceId } from './chosen';
import { inheritedAdvice } from './inherited';
import { panelKindAdvice } from './panelKind';
import { patchPanelAdvice } from './patchPanel';
import { rackSizeAdvice } from './rackSize';
import { rackTypeAdvice } from './rackType';
import { runsPerOutletAdvice } from './runsPerOutlet';

/** Every decision there is advice on. Adding one touches its file and this list. */
const ADVISERS: readonly Adviser[] = [
  runsPerOutletAdvice,
  categoryAdvice,
  inheritedAdvice,
  patchPanelAdvice,
  panelKindAdvice,
  rackTypeAdvice,
  rackSizeAdvice,
];

export const adviceFor = (job: Job): Advice[] => ADVISERS.flatMap((adviser) => adviser(job) ?? []);

/** Keep a choice, with why where it is said. A choice of runs an outlet also sets the rule for desks and other outlets. */
export function chooseCommands(job: Job, advice: Advice, optionId: string): Command[] {
  const id = choiceId(advice.id);
  const note = job.answers[id]?.note ?? '';
  const rows = [{ id, value: optionId, note }];
  if (advice.id === 'runs-per-outlet') {
    for (const rule of ['runs-desk', 'runs-other', 'runs-printer', 'runs-telephone'])
      rows.push({ id: rule, value: optionId, note: '' });
  }
  return rowCommands(
    job,
    rows.map((record) => ({ table: 'answers' as const, record })),
  );
}
