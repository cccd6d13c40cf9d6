import { jacketMm, untwistMm } from '../../base/standards/landing';
import { crossed, type Pin, pinouts, WIRINGS, type Wiring } from '../../base/standards/pinout';
import { formatSize } from '../../base/units/length';
import type { Job } from '../../job/document/job';
import { indexJob } from '../../job/document/jobIndex';
import type { Gear } from '../../job/records/gear';
import { portKey } from '../../job/records/portKey';
import { portsOf } from '../../job/records/ports';
import type { Run } from '../../job/records/run';
import type { RunEnd, Termination, TerminationCheck } from '../../job/records/termination';
import { cableCategory } from '../runs/cableCategory';
import { cableKindOf } from '../runs/cableKinds';
import { answerOf } from '../survey/answers/answers';
import { jackFor, jackWords } from './jacks';
import { rearBlocks } from './rowOrder';

export type TerminationCard = {
  run: Run;
  panel: Gear | null;
  port: number | null;
  /** `port 7, lower row of blocks, 4th from the right as seen from behind`. */
  where: string;
  wiring: Wiring | null;
  pins: Pin[];
  part: string;
  steps: { check: TerminationCheck | null; words: string }[];
  done: Record<RunEnd, Termination | null>;
};

const CHECK_WORDS: Record<TerminationCheck, string> = {
  untwist: 'Pairs twisted to the contact',
  jacket: 'Jacket inside the strain relief',
  nicks: 'No conductor nicked',
  scraps: 'Scraps out of the cabinet and the box',
  screen: 'Screen bonded all round, drain wire connected',
};
export const checkWords = (check: TerminationCheck): string => CHECK_WORDS[check];

/** The wiring that all jacks of this job have. */
export function wiringOf(job: Job): Wiring {
  const answer = answerOf(job, 'land-wiring');
  return WIRINGS.find((one) => one === answer) ?? 'B';
}

/** Why both ends are wired alike: what arrives where when they are not. */
function alikeWords(wiring: Wiring): string {
  const arrives = crossed('A', 'B');
  const moved = pinouts.A.map(({ pin }) => pin).filter((pin) => arrives[pin - 1] !== pin);
  const at = moved.map((pin) => arrives[pin - 1]).join(', ');
  return `${wiring} at both ends: with A at one and B at the other, pins ${moved.join(', ')} arrive at ${at}`;
}

/** What to do at both ends of a run, and what of it was done. */
export function terminationCard(job: Job, run: Run): TerminationCard {
  const index = indexJob(job);
  const landing = index.landingOfRun.get(run.id);
  const panel = (landing && job.gear[landing.panelId]) ?? null;
  const port = panel && landing ? (portsOf(panel)[landing.port - 1] ?? null) : null;
  const twisted = run.carries === 'ethernet' || run.carries === 'telephone';
  const wiring = twisted ? wiringOf(job) : null;
  const category = cableCategory(run.cable);
  const screened = cableKindOf(job, run.cable)?.screened ?? false;
  const untwist = run.carries === 'telephone' && category === null ? untwistMm.category3 : untwistMm.category5eAndUp;
  const show = (mm: number) => formatSize(mm, job.units);
  const steps: TerminationCard['steps'] = wiring
    ? [
        { check: null, words: alikeWords(wiring) },
        {
          check: null,
          words: `Take off ${show(jacketMm.least)} to ${show(jacketMm.most)} of jacket, no more than needed`,
        },
        { check: 'nicks', words: checkWords('nicks') },
        { check: 'untwist', words: `${checkWords('untwist')}: untwisted ${show(untwist)} at most` },
        { check: 'jacket', words: checkWords('jacket') },
        ...(screened ? [{ check: 'screen' as const, words: checkWords('screen') }] : []),
        { check: 'scraps', words: checkWords('scraps') },
      ]
    : [
        { check: 'jacket', words: checkWords('jacket') },
        {
          check: 'scraps',
          words: run.carries === 'fibre' ? 'Shards in a lidded bin, none on the floor' : checkWords('scraps'),
        },
      ];
  const terminations = Object.values(job.terminations).filter((row) => row.runId === run.id);
  return {
    run,
    panel,
    port: landing?.port ?? null,
    where: panel && landing ? whereWords(panel, landing.port) : 'not landed yet',
    wiring,
    pins: wiring ? pinouts[wiring] : [],
    part: port?.connector === 'keystone' ? jackWords(jackFor(job, run, port)) : '',
    steps,
    done: {
      panel: terminations.find((row) => row.end === 'panel') ?? null,
      outlet: terminations.find((row) => row.end === 'outlet') ?? null,
    },
  };
}

function whereWords(panel: Gear, port: number): string {
  const blocks = rearBlocks(panel);
  const block = blocks.find((one) => one.port === port);
  if (!block) return `${panel.name}, port ${port}`;
  const rows = new Set(blocks.map((one) => one.row)).size;
  const row = rows === 1 ? '' : `, block row ${block.row + 1} from the top`;
  return `${panel.name}, port ${port}${row}, block ${block.column + 1} from the right as seen from behind`;
}

/** Cards of a panel in order of its ports. */
export function panelCards(job: Job, panel: Gear): TerminationCard[] {
  const index = indexJob(job);
  return portsOf(panel).flatMap((port) => {
    const run = job.runs[index.landingAtPort.get(portKey(panel.id, port.number))?.runId ?? ''];
    return run ? [terminationCard(job, run)] : [];
  });
}
