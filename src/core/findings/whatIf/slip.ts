import { formatMinutes } from '../../base/units/minutes';
import type { Job } from '../../job/document/job';
import type { Way } from './ways';
import type { OneMoreWish } from './wish';

/** What is to be done, where, how long, and what goes dark: a slip to take along. */
export function slipLines(job: Job, wish: OneMoreWish, way: Way): { title: string; lines: string[] } {
  const of = (part: string) => way.path.find((one) => one.part === part)?.words ?? '';
  const lands = way.commands.some(({ type }) => type === 'landRuns');
  const patches = way.commands.some(({ type }) => type === 'patchPorts');
  return {
    title: `${job.name}: one more ${wish.device} in ${wish.room}`,
    lines: [
      way.kind === 'new run'
        ? `Pull run ${of('Run')} to ${of('Where')}. Look for hidden wires and pipes before drilling; local codes and licensed practice come first.`
        : `Find run ${of('Run')} in ${of('Where')}.`,
      ...(lands
        ? [`End it on ${of('Panel port')}, label it ${way.label} at both ends, and test it.`]
        : [`It is on ${of('Panel port')}.`]),
      ...(patches ? [`Cord of ${of('Cord')} from ${of('Panel port')} to ${of('Switch port')}.`] : []),
      `Set ${of('Switch port')} to network ${of('Network')}.`,
      `Power: ${of('Power')}.`,
      ...way.notes,
      way.dark,
      `About ${formatMinutes(way.minutes)}.`,
      'Done by ______________ on ______________',
    ],
  };
}
