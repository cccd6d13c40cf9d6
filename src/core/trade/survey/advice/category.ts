import { type Category, reachFor } from '../../../base/standards/categoryReach';
import { copperLengths } from '../../../base/standards/copperLengths';
import { fromMemory } from '../../../base/standards/source';
import { counted } from '../../../base/text/counted';
import { runLengthMm } from '../../runs/routeLength';
import { figureOf } from '../answers/answers';
import type { Adviser } from './advice';
import { copperRuns, metresOf, price, round2 } from './figures';

const KINDS: { id: string; category: Category; cost: 'cost-5e' | 'cost-6' | 'cost-6A' }[] = [
  { id: '5e', category: '5e', cost: 'cost-5e' },
  { id: '6', category: '6', cost: 'cost-6' },
  { id: '6A', category: '6A', cost: 'cost-6A' },
];

export const categoryAdvice: Adviser = (job) => {
  const runs = copperRuns(job).filter((run) => run.origin === 'new');
  if (runs.length === 0) return null;
  const metres = metresOf(job, runs);
  const measured = runs.filter((run) => runLengthMm(job, run) !== null);
  const unknown = runs.length - measured.length;
  const channel = (mm: number | null) => (mm ?? 0) + copperLengths.workAreaCordMm;
  const short = (category: Category, mbps: number) =>
    measured.filter((run) => channel(runLengthMm(job, run)) > (reachFor(category, mbps)?.sureMm ?? 0)).length;
  const missed = (category: Category) =>
    measured.filter(
      (run) =>
        run.speedMbps !== null && channel(runLengthMm(job, run)) > (reachFor(category, run.speedMbps)?.sureMm ?? 0),
    ).length;
  const options = KINDS.map(({ id, category, cost }) => {
    const [fails, ten] = [missed(category), measured.length - short(category, 10_000)];
    return {
      id,
      words: `Cat ${category}`,
      money: metres === null ? null : round2(metres * price(job, cost)),
      minutes: category === '6A' ? runs.length * 2 : 0,
      ports: 0,
      pros: [
        ...(measured.length > 0 ? [`${counted(ten, 'run')} of ${runs.length} would carry 10 Gb/s for sure.`] : []),
        ...(fails === 0 && unknown === 0 ? ['Every run reaches the speed wanted.'] : []),
      ],
      cons: [
        ...(unknown > 0 ? [`The length of ${counted(unknown, 'run')} is not known: their reach is not judged.`] : []),
        ...(fails > 0 ? [`${counted(fails, 'run')} would not surely reach the speed wanted.`] : []),
        ...(category === '6A' ? ['Thicker: more conduit, wider bends, slower to end.'] : []),
      ],
      fails,
    };
  });
  const internet = figureOf(job, 'internet-mbps');
  // Without any length nothing can be said of reach, so nothing is suggested.
  const suggested =
    metres === null
      ? null
      : (options.find((one) => one.fails === 0 && !(one.id === '5e' && internet >= 1000))?.id ?? '6A');
  return {
    id: 'category',
    question: 'Which category for the new runs?',
    options: options.map(({ fails: _, ...option }) => option),
    suggested,
    why: `The lowest that reaches every speed wanted over its length, and not Cat 5e for an internet of ${internet} Mb/s: cable outlives the gear.`,
    source: fromMemory('ANSI/TIA-568.2-D; IEEE 802.3; TIA TSB-155-A'),
  };
};
