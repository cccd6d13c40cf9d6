import type { Job } from '../job/job';
import { indexJob } from '../job/jobIndex';
import { boxOverdrawn } from './rules/boxOverdrawn';
import { bundleTooBig } from './rules/bundleTooBig';
import { cableNotRated } from './rules/cableNotRated';
import { cableUnknown } from './rules/cableUnknown';
import { capacityShort } from './rules/capacityShort';
import { categoryTooLow } from './rules/categoryTooLow';
import { channelTooLong } from './rules/channelTooLong';
import { conduitMayJam } from './rules/conduitMayJam';
import { cordDoesNotFit } from './rules/cordDoesNotFit';
import { cordInUsedPort } from './rules/cordInUsedPort';
import { cutTooShort } from './rules/cutTooShort';
import { deeperThanRack } from './rules/deeperThanRack';
import { doorStaysOpen } from './rules/doorStaysOpen';
import { fewSparePorts } from './rules/fewSparePorts';
import { fewSpareUnits } from './rules/fewSpareUnits';
import { holeMissing } from './rules/holeMissing';
import { hooksFarApart } from './rules/hooksFarApart';
import { jackTooLow } from './rules/jackTooLow';
import { jointInLink } from './rules/jointInLink';
import { labelMissing } from './rules/labelMissing';
import { labelTwice } from './rules/labelTwice';
import { landedTwice } from './rules/landedTwice';
import { linkBundleUnfit } from './rules/linkBundleUnfit';
import { linkTooLong } from './rules/linkTooLong';
import { liveUnpatched } from './rules/liveUnpatched';
import { managerOverfull } from './rules/managerOverfull';
import { meetsRearGear } from './rules/meetsRearGear';
import { networkNotOnPort } from './rules/networkNotOnPort';
import { networksMixed } from './rules/networksMixed';
import { networkUnnumbered } from './rules/networkUnnumbered';
import { nothingHoldsIt } from './rules/nothingHoldsIt';
import { outsideRack } from './rules/outsideRack';
import { overloadedRack } from './rules/overloadedRack';
import { pathwayBends } from './rules/pathwayBends';
import { pathwayNearMains } from './rules/pathwayNearMains';
import { pathwayOverfull } from './rules/pathwayOverfull';
import { pathwayReserved } from './rules/pathwayReserved';
import { plugsMeetBack } from './rules/plugsMeetBack';
import { poeFeedWeak } from './rules/poeFeedWeak';
import { poePortTooWeak } from './rules/poePortTooWeak';
import { portTooSlow } from './rules/portTooSlow';
import { railsDoNotReach } from './rules/railsDoNotReach';
import { roomNotOnPlan } from './rules/roomNotOnPlan';
import { screenNotCarried } from './rules/screenNotCarried';
import { screwThreads } from './rules/screwThreads';
import { shelfOverloaded } from './rules/shelfOverloaded';
import { shelfTooFull } from './rules/shelfTooFull';
import { sideRoomShort } from './rules/sideRoomShort';
import { switchBudget } from './rules/switchBudget';
import { switchNotLinked } from './rules/switchNotLinked';
import { tailTooShort } from './rules/tailTooShort';
import { toneContradiction } from './rules/toneContradiction';
import { unitsOverlap } from './rules/unitsOverlap';
import { uplinkLoop } from './rules/uplinkLoop';
import { uplinkNarrow } from './rules/uplinkNarrow';
import { uplinkUnfit } from './rules/uplinkUnfit';
import { uprightTooWide } from './rules/uprightTooWide';
import { wantsSupport } from './rules/wantsSupport';
import { widerThanRails } from './rules/widerThanRails';
import { wrongFace } from './rules/wrongFace';
import { wrongPortKind } from './rules/wrongPortKind';
import { GRADES, type Snag, type SnagRule } from './snag';

/** Every rule there is. Adding one touches its file and this list. */
export const SNAG_RULES: readonly SnagRule[] = [
  unitsOverlap,
  outsideRack,
  deeperThanRack,
  widerThanRails,
  wrongFace,
  meetsRearGear,
  plugsMeetBack,
  doorStaysOpen,
  nothingHoldsIt,
  railsDoNotReach,
  wantsSupport,
  holeMissing,
  overloadedRack,
  shelfTooFull,
  shelfOverloaded,
  screwThreads,
  uprightTooWide,
  sideRoomShort,
  linkBundleUnfit,
  linkTooLong,
  channelTooLong,
  categoryTooLow,
  labelMissing,
  labelTwice,
  landedTwice,
  wrongPortKind,
  cordInUsedPort,
  portTooSlow,
  poePortTooWeak,
  switchBudget,
  liveUnpatched,
  fewSpareUnits,
  fewSparePorts,
  poeFeedWeak,
  cableNotRated,
  cableUnknown,
  pathwayOverfull,
  pathwayBends,
  pathwayNearMains,
  hooksFarApart,
  conduitMayJam,
  pathwayReserved,
  bundleTooBig,
  toneContradiction,
  tailTooShort,
  boxOverdrawn,
  cutTooShort,
  roomNotOnPlan,
  capacityShort,
  jackTooLow,
  screenNotCarried,
  jointInLink,
  cordDoesNotFit,
  managerOverfull,
  uplinkUnfit,
  uplinkLoop,
  switchNotLinked,
  uplinkNarrow,
  networkNotOnPort,
  networksMixed,
  networkUnnumbered,
];

const cache = new WeakMap<Job, Snag[]>();
const noMends = () => [];

/** All snags of a job, gravest first, then by rule. Memoised for each version of the job. */
export function findSnags(job: Job): Snag[] {
  const known = cache.get(job);
  if (known) return known;
  const index = indexJob(job);
  const snags = SNAG_RULES.flatMap((rule) =>
    rule
      .find(index)
      .map(
        ({
          runIds = [],
          gearIds = [],
          rackIds = [],
          rowIds = [],
          source = rule.source,
          mends = noMends,
          ...finding
        }) => ({
          ...finding,
          runIds,
          gearIds,
          rackIds,
          rowIds,
          source,
          mends,
          id: [rule.id, ...runIds, ...gearIds, ...rackIds, ...rowIds].join(' '),
          rule: rule.id,
          why: rule.why,
          stations: rule.stations,
        }),
      ),
  ).sort((a, b) => GRADES.indexOf(a.grade) - GRADES.indexOf(b.grade));
  cache.set(job, snags);
  return snags;
}
