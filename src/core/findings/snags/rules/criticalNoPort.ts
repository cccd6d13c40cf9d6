import { commonPractice } from '../../../base/standards/source';
import { countedWith } from '../../../base/text/listed';
import { portKey } from '../../../job/records/portKey';
import { isCage, isSwitched, isSwitching, portsOf } from '../../../job/records/ports';
import { isLive, type Run } from '../../../job/records/run';
import { portFault } from '../../../trade/patching/fitness';
import { takesPower } from '../../../trade/power/poe';
import { type Finding, runsNotJudged, type SnagRule } from '../snag';

export const criticalNoPort: SnagRule = {
  id: 'critical-no-port',
  why: 'What the place cannot do without stays dark, whatever is moved: no port that is there has its speed and its watts.',
  source: commonPractice,
  stations: ['patch'],
  reads: {
    gear: true,
    runs: ['id', 'label', 'carries', 'device', 'scope', 'speedMbps', 'poeW', 'poeClass', 'critical'],
    landings: true,
    cords: true,
  },
  find: ({ job, runsInOrder, landingOfRun, cordAtPanelPort }) => {
    const ports = Object.values(job.gear).filter(isSwitching).flatMap(portsOf);
    if (ports.length === 0) return [];
    const isOpen = (run: Run) => {
      const landing = landingOfRun.get(run.id);
      return !(landing && cordAtPanelPort.has(portKey(landing.panelId, landing.port)));
    };
    const dark = runsInOrder.filter((run) => {
      if (!run.critical || !isLive(run) || !isSwitched(run.carries)) return false;
      if (!isOpen(run)) return false;
      return ports.every((port) => portFault(run, port) !== null);
    });
    // A copper module in a fast cage would do for those that take no power over their cable.
    const byModule = (run: Run) =>
      run.carries === 'ethernet' &&
      !takesPower(run) &&
      ports.some((port) => isCage(port) && (port.speedMbps ?? 0) >= (run.speedMbps ?? 0));
    const tell = (some: Run[], grade: Finding['grade'], id: string, words: string): Finding[] => {
      if (some.length === 0) return [];
      const names = some.map((run) => `${run.label} (${run.device})`);
      return [
        {
          grade,
          runIds: some.map((run) => run.id),
          rowIds: [id],
          what: `${countedWith(names, 'critical run')}: ${words}`,
        },
      ];
    };
    const unsaid = runsInOrder.filter(
      (run) =>
        run.critical &&
        isLive(run) &&
        isSwitched(run.carries) &&
        run.speedMbps === null &&
        isOpen(run) &&
        !dark.includes(run),
    );
    return [
      ...runsNotJudged(unsaid, 'port for a critical run', 'the speed that it needs'),
      ...tell(
        dark.filter((run) => !byModule(run)),
        'wont-work',
        'none',
        'no switch port has the speed and the power it needs.',
      ),
      ...tell(
        dark.filter(byModule),
        'will-bite',
        'module',
        'no RJ45 port has the speed it needs. Fit a copper module in an SFP+ port.',
      ),
    ];
  },
};
