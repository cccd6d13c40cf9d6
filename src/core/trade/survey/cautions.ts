import { type RuleSet, ruleSets } from '../../base/standards/ruleSets';
import { published, type Source } from '../../base/standards/source';
import { besideCordsOf } from '../../job/document/cordKinds';
import type { Job } from '../../job/document/job';
import { isNow } from '../../job/records/run';
import { uplinkFacts } from '../patching/uplinks/uplinkFacts';
import { answerOf } from './answers/answers';

/** Something that can hurt someone or break a rule. Each is said once, where it applies. */
export type Caution = { id: string; words: string; source: Source | null };

const local = 'Local code and licensed practice come first.';

/** What may be laid where air is moved, in the words of the region. */
const AIR_CABLE: Record<RuleSet['jackets'], string> = {
  listing: 'plenum cable',
  'reaction to fire': 'cable of the reaction-to-fire class that local code asks for',
  local: 'cable of the kind that local code asks for',
};

/** The cautions that this job calls for, from what was answered and planned. */
export function cautionsFor(job: Job): Caution[] {
  const runs = Object.values(job.runs).filter((run) => isNow(run) && run.origin === 'new');
  const pathways = Object.values(job.pathways);
  const { cites, licensed, jackets } = ruleSets[job.rules];
  const cautions: (Caution | false)[] = [
    runs.length > 0 && {
      id: 'drilling',
      words: `Before drilling: look for mains, water and gas in the wall, from both sides. ${local}`,
      source: null,
    },
    answerOf(job, 'built-before-2000') !== 'no' && {
      id: 'old-boards',
      words:
        'Boards, coatings and lagging of this age may hold asbestos or lead. Do not drill or sand them before they were checked by someone qualified.',
      source: null,
    },
    answerOf(job, 'air-space') !== 'no' && {
      id: 'air-space',
      words: `Where the space above the ceiling moves air, only ${AIR_CABLE[jackets]} is allowed. ${local}`,
      source: cites.airSpace,
    },
    answerOf(job, 'fire-walls') !== 'no' && {
      id: 'fire-walls',
      words: `Every hole through a fire-rated wall or floor is closed again to its rating. ${local}`,
      source: cites.fireWalls,
    },
    {
      id: 'mains',
      words: `${licensed.mains} Never open a mains enclosure for data cable.`,
      source: null,
    },
    licensed.cabling !== null && { id: 'cabling', ...licensed.cabling },
    job.rules === 'north-america' && {
      id: 'working-space',
      words: `In front of an electrical panel stays clear: 900 mm (3 ft) deep, 762 mm (30 in) wide, 2.0 m (6.5 ft) high. No cabinet stands or hangs there. ${local}`,
      source: published('NFPA 70 110.26'),
    },
    job.rules === 'north-america' &&
      Object.values(job.racks).some((rack) => rack.standing === 'wall') && {
        id: 'protruding',
        words: `Along a way that people walk, what hangs between 27 and 80 in (0.69 and 2.03 m) above the floor sticks out 4 in (100 mm) at most. ${local}`,
        source: published('ADA 2010 307.2'),
      },
    pathways.some((row) => row.mainsMm !== null) && {
      id: 'mains-near',
      words: `Data cable keeps its distance from mains and shares no box or conduit with it. ${local}`,
      source: cites.mainsNear,
    },
    pathways.some((row) => row.kind === 'conduit') && {
      id: 'fish-tape',
      words:
        'A metal fish tape in a conduit of which nobody knows what else is in it can touch live parts. Use one that does not conduct.',
      source: null,
    },
    pathways.some((row) => row.surroundings === 'outdoor' || row.surroundings === 'buried') && {
      id: 'outdoor',
      words: `Cable between buildings brings lightning and earth differences with it: surge protection or fibre. Call before digging. ${local}`,
      source: cites.outdoors,
    },
    (Object.values(job.runs).some((run) => run.carries === 'fibre') ||
      Object.values(besideCordsOf(job)).some((uplink) => uplinkFacts(job, uplink)?.medium === 'fibre') ||
      answerOf(job, 'internet-in') === 'fibre') && {
      id: 'fibre',
      words: 'Never look into a fibre or a port. Shards go into a bin with a lid.',
      source: published('IEC 60825-2'),
    },
    answerOf(job, 'wall-kind') !== 'studs' && {
      id: 'wall',
      words:
        answerOf(job, 'wall-kind') === 'masonry'
          ? 'Anchors in masonry only by their maker’s table.'
          : 'Find out what is behind the board before a cabinet is hung on it: hollow-wall fixings alone do not carry one.',
      source: null,
    },
    answerOf(job, 'damp') !== 'no' && {
      id: 'damp',
      words: 'A damp place is no place for mains-powered gear. Find another, or have it made dry first.',
      source: null,
    },
    answerOf(job, 'internet-in') === 'cellular' && {
      id: 'aerial',
      words: `An aerial outside is earthed and its lead kept short, about 5 m by common practice; lengthen the data side instead. ${local}`,
      source: cites.aerial,
    },
    runs.length > 0 && {
      id: 'ladder',
      words:
        'Ladders, lofts and crawl spaces: a second person within call, boards to kneel on, and out when it is hot.',
      source: null,
    },
  ];
  return cautions.filter((one) => one !== false);
}
