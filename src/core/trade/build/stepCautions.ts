import type { Job } from '../../job/document/job';
import type { Gear } from '../../job/records/gear';
import { inletCount } from '../../job/records/mainsSockets';
import { answerOf } from '../survey/answers/answers';

/** Said wherever something with a mains supply is moved. Common practice, no source; local rules of isolation come first. */
export function mainsCaution(gear: Gear): string {
  if (gear.kind === 'ups')
    return 'Switch it off, unplug it, and take its batteries off as its maker says: its outlets and blocks stay live without mains.';
  return inletCount(gear) > 0 ? 'Switch it off and unplug it first; see that it is dead.' : '';
}

/** Said wherever walls are opened: by the age of the building, and of what is in the wall. */
export function drillCaution(job: Job): string {
  const old = answerOf(job, 'built-before-2000') !== 'no';
  const stop = old
    ? ' Stop: old boards may hold asbestos or lead. Not drilled before someone qualified has checked them.'
    : '';
  return `Look for mains, water and gas before drilling.${stop} Close what goes through a fire wall as local code says.`;
}
