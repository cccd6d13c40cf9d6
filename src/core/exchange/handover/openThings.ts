import { counted } from '../../base/text/counted';
import { findSnags } from '../../findings/snags/findSnags';
import type { Job } from '../../job/document/job';
import { openByItself } from '../../trade/survey/openPoints';
import { gateOf } from '../../trade/testing/gate';

export type OpenThing = { words: string; more: string };

/** What is open when a job is handed over: points to settle, what is not proven, and snags. */
export function openThings(job: Job): OpenThing[] {
  const gate = gateOf(job).filter(({ open }) => open);
  const runs = gate.filter(({ kind }) => kind === 'run');
  const others = gate.filter(({ kind }) => kind !== 'run');
  const named = (list: typeof gate) =>
    list
      .slice(0, 40)
      .map(({ name }) => name)
      .join(', ') + (list.length > 40 ? ` and ${list.length - 40} more` : '');
  return [
    ...Object.values(job.openPoints)
      .filter(({ done }) => !done)
      .map(({ words }) => ({ words, more: '' })),
    ...openByItself(job).map((words) => ({ words, more: '' })),
    ...(runs.length > 0 ? [{ words: `${counted(runs.length, 'run')} without a passed test.`, more: named(runs) }] : []),
    ...(others.length > 0
      ? [
          {
            words: `${counted(others.length, 'cord, uplink or feed', 'cords, uplinks and feeds')} not signed off.`,
            more: named(others),
          },
        ]
      : []),
    ...findSnags(job).map(({ what, why }) => ({ words: what, more: why })),
  ];
}
