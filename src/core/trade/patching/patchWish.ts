import type { Job } from '../../job/document/job';
import { answerOf } from '../survey/answers/answers';

export type PatchSchool = 'short' | 'number' | 'network';
/** What may become of cords that lie already: they stay, few of them move, or all may. Cords fixed by hand always stay. */
export type PatchMoves = 'none' | 'few' | 'free';

/** What the person wants of a patch plan. */
export type PatchWish = {
  school: PatchSchool;
  /** Patch runs without a device as well. */
  includeSpare: boolean;
  spread: boolean;
  /** A run for which no port is fast enough may have a slower one. */
  slower: boolean;
  moves: PatchMoves;
  /** Consider these runs only. */
  only?: ReadonlySet<string>;
};

/** The wish as the job's answers say it, with what is asked for this once. */
export function patchWishOf(job: Job, once: Partial<PatchWish> = {}): PatchWish {
  return {
    school: answerOf(job, 'patch-school') as PatchSchool,
    includeSpare: answerOf(job, 'patch-which') === 'all',
    slower: answerOf(job, 'patch-slower') === 'yes',
    spread: answerOf(job, 'patch-spread') === 'yes',
    moves: 'none',
    ...once,
  };
}

export const patchSchools: Record<PatchSchool, { name: string; for: string; against: string }> = {
  short: {
    name: 'Shortest cords',
    for: 'Little cord to lay, hardly any crossing, and every cord can be followed by eye.',
    against: 'Port numbers of panel and switch have nothing to do with one another.',
  },
  number: {
    name: 'Same number',
    for: 'Port 7 of the panel is port 7 of the switch: who knows one knows the other without a list.',
    against: 'Only until power, speed or a second switch ask for another port; cords are somewhat longer.',
  },
  network: {
    name: 'Networks together',
    for: 'A block of switch ports is one network: a port in the wrong network shows at once.',
    against: 'Cords cross; a network that grows past its block breaks the order.',
  },
};

/** Points, fewer are better; a centimetre of cord is one. Common practice, no source. */
export const patchPoints = {
  leftOut: { critical: 1_000_000, accessPoint: 300_000, live: 100_000, spare: 10_000 },
  /** A port that is kept back and not found: the way to the gateway first, then other uplinks, then gear in the rack. */
  notKept: { gateway: 20_000_000, uplink: 10_000_000, gear: 3_000_000 },
  powerUnused: 60,
  /** For each watt that a port could give more than is asked of it. */
  perWattOver: 0.2,
  perSpeedStepOver: 40,
  /** Breaks ties between cords of one length: shorter ways, and of two pairings the one without a crossing. */
  perWayCm: 0.2,
  perWayCmSquared: 0.005,
  numberMismatch: 60,
  /** For each port away from where the run's network would lie if ports were dealt network after network. */
  perPortFromBlock: 15,
  /** A critical run on the switch that has more of them already. */
  notSpread: 150,
  /** A cord pulled and plugged anew, where few are to be moved. */
  move: 120,
  /** No place in the rack yet. */
  unknownCordCm: 200,
  /** Ties go by port number. */
  perPortNumber: 0.1,
} as const;
/** All points are made whole hundredths, so that equal choices come out equal. */
export const POINT_GRAIN = 0.01;
