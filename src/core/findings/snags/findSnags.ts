import { always, kept, keptFor } from '../../base/memo/kept';
import { commonPractice } from '../../base/standards/source';
import { GRADES } from '../../base/text/grade';
import type { Job } from '../../job/document/job';
import { indexJob } from '../../job/document/jobIndex';
import { type ReadTokens, readTokens, sameTokens } from '../../job/document/reads';
import { airAgainstAir } from './rules/airAgainstAir';
import { batteryDue } from './rules/batteryDue';
import { batteryShort } from './rules/batteryShort';
import { boxOverdrawn } from './rules/boxOverdrawn';
import { bundleTooBig } from './rules/bundleTooBig';
import { bundleTooWarm } from './rules/bundleTooWarm';
import { cabinetTooWarm } from './rules/cabinetTooWarm';
import { cableCannotCarry } from './rules/cableCannotCarry';
import { cableNotRated } from './rules/cableNotRated';
import { cableUnknown } from './rules/cableUnknown';
import { capacityShort } from './rules/capacityShort';
import { categoryTooLow } from './rules/categoryTooLow';
import { channelTooLong } from './rules/channelTooLong';
import { circuitLeaks } from './rules/circuitLeaks';
import { circuitOverloaded } from './rules/circuitOverloaded';
import { conduitMayJam } from './rules/conduitMayJam';
import { copperOutdoors } from './rules/copperOutdoors';
import { cordDoesNotFit } from './rules/cordDoesNotFit';
import { cordInUsedPort } from './rules/cordInUsedPort';
import { cordsBelowLink } from './rules/cordsBelowLink';
import { criticalNoPort } from './rules/criticalNoPort';
import { criticalOnOne } from './rules/criticalOnOne';
import { cutTooShort } from './rules/cutTooShort';
import { deeperThanRack } from './rules/deeperThanRack';
import { doorStaysOpen } from './rules/doorStaysOpen';
import { fanStarved } from './rules/fanStarved';
import { feedOverloaded } from './rules/feedOverloaded';
import { fewSparePorts } from './rules/fewSparePorts';
import { fewSpareUnits } from './rules/fewSpareUnits';
import { fibreTooFar } from './rules/fibreTooFar';
import { fixingsNotSound } from './rules/fixingsNotSound';
import { heavyHigh } from './rules/heavyHigh';
import { hingeWithoutLoop } from './rules/hingeWithoutLoop';
import { holeMissing } from './rules/holeMissing';
import { hooksFarApart } from './rules/hooksFarApart';
import { inheritedUnsure } from './rules/inheritedUnsure';
import { inletsUnplugged } from './rules/inletsUnplugged';
import { inrushTrips } from './rules/inrushTrips';
import { jackTooLow } from './rules/jackTooLow';
import { jointInLink } from './rules/jointInLink';
import { labelMissing } from './rules/labelMissing';
import { labelTwice } from './rules/labelTwice';
import { landedTwice } from './rules/landedTwice';
import { linkBundleUnfit } from './rules/linkBundleUnfit';
import { linkTooLong } from './rules/linkTooLong';
import { lithiumCold } from './rules/lithiumCold';
import { liveUnpatched } from './rules/liveUnpatched';
import { loadUnknown } from './rules/loadUnknown';
import { mainsBesideData } from './rules/mainsBesideData';
import { managerOverfull } from './rules/managerOverfull';
import { mayTip } from './rules/mayTip';
import { meetsRearGear } from './rules/meetsRearGear';
import { networkNotOnPort } from './rules/networkNotOnPort';
import { networksMixed } from './rules/networksMixed';
import { networkUnnumbered } from './rules/networkUnnumbered';
import { nothingHoldsIt } from './rules/nothingHoldsIt';
import { outdoorCableIndoors } from './rules/outdoorCableIndoors';
import { outletOverloaded } from './rules/outletOverloaded';
import { outsideRack } from './rules/outsideRack';
import { overloadedRack } from './rules/overloadedRack';
import { panelNotBonded } from './rules/panelNotBonded';
import { pathwayBends } from './rules/pathwayBends';
import { pathwayNearMains } from './rules/pathwayNearMains';
import { pathwayOverfull } from './rules/pathwayOverfull';
import { pathwayReserved } from './rules/pathwayReserved';
import { plugDoesNotFit } from './rules/plugDoesNotFit';
import { plugEnded } from './rules/plugEnded';
import { plugsMeet } from './rules/plugsMeet';
import { plugsMeetBack } from './rules/plugsMeetBack';
import { poeFeedWeak } from './rules/poeFeedWeak';
import { poePortTooWeak } from './rules/poePortTooWeak';
import { portTooSlow } from './rules/portTooSlow';
import { poweredTogether } from './rules/poweredTogether';
import { powerUnasked } from './rules/powerUnasked';
import { rackNotEarthed } from './rules/rackNotEarthed';
import { railsDoNotReach } from './rules/railsDoNotReach';
import { recordingsShort } from './rules/recordingsShort';
import { roomNotOnPlan } from './rules/roomNotOnPlan';
import { runNotPassed } from './rules/runNotPassed';
import { screenNotCarried } from './rules/screenNotCarried';
import { screwThreads } from './rules/screwThreads';
import { shelfOverloaded } from './rules/shelfOverloaded';
import { shelfTooFull } from './rules/shelfTooFull';
import { sideRoomShort } from './rules/sideRoomShort';
import { staysWithoutBattery } from './rules/staysWithoutBattery';
import { stripIntoStrip } from './rules/stripIntoStrip';
import { suppliesOnOneFeed } from './rules/suppliesOnOneFeed';
import { switchBudget } from './rules/switchBudget';
import { switchNotLinked } from './rules/switchNotLinked';
import { tailTooShort } from './rules/tailTooShort';
import { toneContradiction } from './rules/toneContradiction';
import { tooLoud } from './rules/tooLoud';
import { transferTooSlow } from './rules/transferTooSlow';
import { unitsOverlap } from './rules/unitsOverlap';
import { uplinkLoop } from './rules/uplinkLoop';
import { uplinkNarrow } from './rules/uplinkNarrow';
import { uplinkNetworks } from './rules/uplinkNetworks';
import { uplinkUnfit } from './rules/uplinkUnfit';
import { uprightTooWide } from './rules/uprightTooWide';
import { voltageDropHigh } from './rules/voltageDropHigh';
import { wantsSupport } from './rules/wantsSupport';
import { widerThanRails } from './rules/widerThanRails';
import { wireTooThin } from './rules/wireTooThin';
import { wrongFace } from './rules/wrongFace';
import { wrongPortKind } from './rules/wrongPortKind';
import type { Finding, Mend, Snag, SnagRule } from './snag';
import { oncePerThing } from './unjudged';

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
  fixingsNotSound,
  mayTip,
  loadUnknown,
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
  outdoorCableIndoors,
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
  cableCannotCarry,
  poweredTogether,
  inheritedUnsure,
  criticalOnOne,
  heavyHigh,
  copperOutdoors,
  criticalNoPort,
  fibreTooFar,
  uplinkNetworks,
  cordsBelowLink,
  panelNotBonded,
  plugEnded,
  powerUnasked,
  airAgainstAir,
  hingeWithoutLoop,
  circuitOverloaded,
  wireTooThin,
  outletOverloaded,
  voltageDropHigh,
  feedOverloaded,
  stripIntoStrip,
  plugDoesNotFit,
  plugsMeet,
  suppliesOnOneFeed,
  staysWithoutBattery,
  batteryShort,
  batteryDue,
  lithiumCold,
  circuitLeaks,
  inrushTrips,
  cabinetTooWarm,
  tooLoud,
  bundleTooWarm,
  recordingsShort,
  mainsBesideData,
  inletsUnplugged,
  transferTooSlow,
  rackNotEarthed,
  fanStarved,
  runNotPassed,
];

type Found = ReadTokens & { snags: readonly Snag[] };

/** What each rule found last, and what it read then: it holds for every version of a job with the very same of that. */
const foundBy = new Map<SnagRule, Found[]>();
/** A job and the one that is confirmed of it are asked in turn. */
const MOST_KEPT = 3;

/** What a rule judges, and its words. */
function inputsOf(job: Job, { reads, judgesNames }: SnagRule): ReadTokens {
  const { judged, named } = readTokens(job, reads);
  return judgesNames ? { judged: [...judged, ...named], named: [] } : { judged, named };
}

const noMends = () => [];

const idOf = (rule: SnagRule, { runIds = [], gearIds = [], rackIds = [], rowIds = [] }: Finding): string =>
  [rule.id, ...runIds, ...gearIds, ...rackIds, ...rowIds].join(' ');

/** The mends that a rule offers in a job as it stands, by id of what they mend. */
const mendsIn = keptFor(
  (job: Job, rule: SnagRule): Map<string, () => Mend[]> =>
    new Map(rule.find(indexJob(job)).map((finding) => [idOf(rule, finding), finding.mends ?? noMends])),
  always,
);

function asSnag(rule: SnagRule, found: Finding): Snag {
  const { runIds = [], gearIds = [], rackIds = [], rowIds = [], source = rule.source, ...finding } = found;
  const id = idOf(rule, found);
  return {
    ...finding,
    runIds,
    gearIds,
    rackIds,
    rowIds,
    source,
    id,
    rule: rule.id,
    why: rule.why,
    stations: rule.stations,
    // Mends look at more of the job than the rule does, so that they are made of the job as it stands when they are asked for.
    mends: found.mends ? (job) => (mendsIn(job, rule).get(id) ?? noMends)() : noMends,
  };
}

/** A rule that breaks is a snag itself: what it would have found is not known, and the other rules stand. */
const brokenRule = (rule: SnagRule, fault: unknown): Snag => ({
  id: `${rule.id} broken`,
  rule: rule.id,
  grade: 'will-bite',
  what: `The rule “${rule.id}” could not be asked: ${fault instanceof Error ? fault.message : 'no reason was given'}.`,
  why: 'What it would have found is not known. This is a fault of the program.',
  source: commonPractice,
  stations: rule.stations,
  runIds: [],
  gearIds: [],
  rackIds: [],
  rowIds: [],
  mends: noMends,
});

/** What one rule finds in a job, kept for as long as what it reads stays the same. */
export function findByRule(rule: SnagRule, job: Job): readonly Snag[] {
  const inputs = inputsOf(job, rule);
  const known = foundBy.get(rule) ?? [];
  // Where nothing was found, nothing has a name in it.
  const there = known.find(
    (one) => sameTokens(one.judged, inputs.judged) && (one.snags.length === 0 || sameTokens(one.named, inputs.named)),
  );
  if (there) return there.snags;
  let snags: readonly Snag[];
  try {
    snags = rule.find(indexJob(job)).map((finding) => asSnag(rule, finding));
  } catch (fault) {
    return [brokenRule(rule, fault)];
  }
  // A draft changes in place: only what is final is kept.
  if (Object.isFrozen(job)) foundBy.set(rule, [{ ...inputs, snags }, ...known].slice(0, MOST_KEPT));
  return snags;
}

/** Ask rule by rule, for whoever has other things to do in between; what is found is kept for `findSnags`. */
export function* judgeInParts(job: Job): Generator<void> {
  for (const rule of SNAG_RULES) yield void findByRule(rule, job);
}

type Judgement = { snags: Snag[]; unjudged: Snag[] };

const judgementOf = kept((job: Job): Judgement => {
  const all = SNAG_RULES.flatMap((rule) => findByRule(rule, job));
  return {
    snags: all
      .filter(({ grade }) => grade !== 'not-judged')
      .sort((a, b) => GRADES.indexOf(a.grade) - GRADES.indexOf(b.grade)),
    unjudged: oncePerThing(all.filter(({ grade }) => grade === 'not-judged')),
  };
}, always);

/** All snags of a job, gravest first, then by rule. */
export const findSnags = (job: Job): Snag[] => judgementOf(job).snags;

/** What could not be judged since something is not known: one entry for each thing, with all that is missing. */
export const findUnjudged = (job: Job): Snag[] => judgementOf(job).unjudged;
