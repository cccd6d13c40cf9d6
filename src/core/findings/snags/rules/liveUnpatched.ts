import { commonPractice } from '../../../base/standards/source';
import { portKey } from '../../../job/records/portKey';
import { isSwitched } from '../../../job/records/ports';
import { isLive } from '../../../job/records/run';
import type { SnagRule } from '../snag';

/** One line for all of them: the plan for the rest says of each why it is left out. */
export const liveUnpatched: SnagRule = {
  id: 'live-unpatched',
  why: 'A device without a switch port has no network.',
  source: commonPractice,
  stations: ['patch'],
  reads: { runs: ['id', 'label', 'carries', 'device', 'scope'], gear: ['id', 'kind'], landings: true, cords: true },
  find: (index) => {
    const waiting = index.runsInOrder.filter((run) => {
      const landing = index.landingOfRun.get(run.id);
      return (
        landing &&
        isLive(run) &&
        isSwitched(run.carries) &&
        !index.cordAtPanelPort.has(portKey(landing.panelId, landing.port))
      );
    });
    if (waiting.length === 0) return [];
    const [first] = waiting;
    return [
      {
        // Before the first cord it is a step to come; after it these devices are without link.
        grade: index.cordAtPanelPort.size > 0 ? ('wont-work' as const) : ('could-be-neater' as const),
        // The list is long in a young job, so the snag is about the first run and names the count.
        runIds: first ? [first.id] : [],
        what:
          waiting.length === 1
            ? `${first?.label} (${first?.device}) is not patched.`
            : `${waiting.length} runs with a device are not patched (${first?.label} is the first).`,
      },
    ];
  },
};
