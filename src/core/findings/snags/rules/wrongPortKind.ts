import { commonPractice } from '../../../base/standards/source';
import { patchCordsOf } from '../../../job/document/cordKinds';
import { canLand, canPatch, portAt } from '../../../job/records/ports';
import { runBehind } from '../../../trade/patching/switchLoad';
import { moveCordMend, unplugMend } from '../mends';
import type { Finding, SnagRule } from '../snag';

export const wrongPortKind: SnagRule = {
  id: 'wrong-port-kind',
  why: 'The plug does not fit the port.',
  source: commonPractice,
  stations: ['land', 'patch'],
  reads: { gear: true, runs: ['id', 'label', 'carries'], landings: true, cords: true },
  find: (index) => {
    const { job } = index;
    const landed = Object.values(job.landings).flatMap((row): Finding[] => {
      const [run, panel] = [job.runs[row.runId], job.gear[row.panelId]];
      const port = panel && portAt(panel, row.port);
      if (!run || !port || canLand(port, run.carries)) return [];
      return [
        {
          grade: 'wont-work',
          runIds: [run.id],
          gearIds: [panel.id],
          what: `${run.label} carries ${run.carries}; ${panel.name} port ${row.port} does not take that.`,
          mends: () => [{ label: `Take ${run.label} off`, commands: [{ type: 'takeOffRuns', runIds: [run.id] }] }],
        },
      ];
    });
    const patched = Object.values(patchCordsOf(job)).flatMap((cord): Finding[] => {
      const [run, device] = [runBehind(index.job, cord), job.gear[cord.switchId]];
      const port = device && portAt(device, cord.switchPort);
      if (!run || !port || (canPatch(port.connector, run.carries) && port.use === 'access')) return [];
      return [
        {
          grade: 'wont-work',
          runIds: [run.id],
          gearIds: [device.id],
          what: `${run.label} carries ${run.carries}; ${device.name} port ${cord.switchPort} is not for that.`,
          mends: () => [...moveCordMend(index.job, run, cord), unplugMend(run, cord)],
        },
      ];
    });
    return [...landed, ...patched];
  },
};
