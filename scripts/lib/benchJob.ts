import { readCsvTable } from '../../src/core/exchange/formats/csvTable';
import { importCommand, previewRuns } from '../../src/core/exchange/formats/previewRuns';
import { applyCommands } from '../../src/core/job/commands/apply';
import { emptyJob, type Job } from '../../src/core/job/document/job';
import { Gear } from '../../src/core/job/records/gear';
import { Rack } from '../../src/core/job/records/rack';
import { guessColumns } from '../../src/core/trade/runs/runColumns';
import { planJob } from '../../src/core/trade/wholeJob/planJob';

const NETWORKS = ['Desks', 'Phones', 'Cameras', 'Doors', 'Guests'];

/** A list of runs as CSV, the same every time: one in five a camera with power, one in six spare. */
export function benchCsv(runs: number): string {
  const rows = Array.from({ length: runs }, (_, at) => {
    const camera = at % 5 === 0;
    const device = at % 6 === 5 ? '' : camera ? `camera ${at}` : `desk ${at}`;
    const length = (12 + ((at * 37) % 760) / 10).toFixed(1);
    return [
      `R${String(at + 1).padStart(5, '0')}`,
      `Floor ${at % 4}`,
      `Room ${Math.floor(at / 6)}`,
      `outlet ${at % 3}`,
      'ethernet',
      'Cat 6 U/UTP',
      length,
      device,
      camera ? 100 : 1000,
      camera ? 12 : 0,
      device ? NETWORKS[at % NETWORKS.length] : '',
      at % 9 === 0 ? 'yes' : 'no',
      '',
    ].join(',');
  });
  return `label,floor,room,outlet,carries,cable,length_m,device,speed_mbps,poe_w,network,critical,notes\n${rows.join('\n')}\n`;
}

/** A cabinet with panels and switches enough for so many runs, nothing placed. */
export function benchCabinet(runs: number): Job {
  const count = Math.ceil(runs / 48);
  const gear = Array.from({ length: count }, (_, at) => [
    Gear.parse({
      id: `panel-${at}`,
      name: `Panel ${at + 1}`,
      kind: 'panel',
      heightU: 2,
      depthMm: 110,
      ports: [{ count: 48, connector: 'keystone' }],
    }),
    Gear.parse({
      id: `switch-${at}`,
      name: `Switch ${at + 1}`,
      kind: 'switch',
      heightU: 1,
      depthMm: 380,
      poeBudgetW: 740,
      ports: [{ count: 48, connector: 'rj45', speedMbps: 1000, poeW: 30 }],
    }),
  ]).flat();
  return applyCommands(emptyJob({ id: 'bench', name: `Bench of ${runs} runs`, units: 'metric' }), [
    { type: 'addRack', rack: Rack.parse({ id: 'rack', name: 'Rack', units: 48, depthMm: 600 }) },
    { type: 'addGear', gear },
  ]).job;
}

export const benchPlan = (job: Job): Job => planJob(job).job;

/** So many runs brought into a job from their list. */
function withRuns(start: Job, runs: number): Job {
  const table = readCsvTable(benchCsv(runs));
  let count = 0;
  const command = importCommand(
    previewRuns(start, table, guessColumns(table.header, 'metric')),
    () => `run-${++count}`,
  );
  return command ? applyCommands(start, [command]).job : start;
}

/** A job of so many runs and nothing else. */
export const bareJob = (runs: number): Job => withRuns(benchCabinet(0), runs);

/** A job of so many runs, placed, landed and patched. */
export const plannedJob = (runs: number): Job => planJob(withRuns(benchCabinet(runs), runs)).job;
