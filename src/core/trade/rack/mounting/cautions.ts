import type { RuleSetId } from '../../../base/standards/ruleSets';
import { commonPractice, fromMemory, published, type Source } from '../../../base/standards/source';
import { formatSize, type Units } from '../../../base/units/length';
import type { Rack } from '../../../job/records/rack';

export type Caution = { words: string; source: Source };

const DRILLING: Caution = {
  words:
    'Before drilling look for hidden wires and pipes with a detector, and for old boards and dust that want protection.',
  source: commonPractice,
};
const ANCHORS: Caution = {
  words: 'In masonry anchors go by their maker’s table alone: load, embedment, edge distance.',
  source: commonPractice,
};
const WALL: Caution = {
  words:
    'Whether this wall bears the load is for somebody who knows it: local codes and licensed practice go before these figures.',
  source: commonPractice,
};
const PLASTERBOARD: Caution = {
  words: 'Plasterboard and its fixings alone never carry a cabinet.',
  source: commonPractice,
};
/** 27, 80 and 4 inches. */
const headroom = (units: Units): Caution => ({
  words: `On a way through, a wall cabinet between ${formatSize(685.8, units)} and ${formatSize(2032, units)} above the floor sticks out ${formatSize(101.6, units)} at most.`,
  source: published('ADA 2010 307.2, accessible routes'),
});
/** 3 ft, 30 in and 6.5 ft; elsewhere how much is for local rules to say. */
const electrical = (units: Units, rules: RuleSetId): Caution =>
  rules === 'north-america'
    ? {
        words: `Keep the space in front of electrical panels free: ${formatSize(914.4, units)} deep, ${formatSize(762, units)} wide, ${formatSize(1981.2, units)} high.`,
        source: published('NFPA 70 110.26'),
      }
    : {
        words: 'Keep the space in front of the consumer unit and of electrical panels free, as local rules ask.',
        source: commonPractice,
      };
const PASSAGE: Caution = {
  words: 'A wall cabinet does not narrow an escape route, and nobody walks into it.',
  source: commonPractice,
};
const EARTH: Caution = {
  words: 'Metal racks and screened panels are bonded to earth by a licensed electrician.',
  source: fromMemory('ANSI/TIA-607; ISO/IEC 30129; EN 50310'),
};
const TIPPING: Caution = {
  words: 'Secure a standing rack to floor or wall before anything heavy goes in high or is drawn out.',
  source: commonPractice,
};
const LIFTING: Caution = {
  words:
    'The lifting figures are for one person standing firmly with both hands: not for ladders, cramped places or team lifts.',
  source: published('NIOSH 94-110; HSE INDG143'),
};
const BATTERY: Caution = {
  words: 'Take batteries out of a UPS before lifting it where its maker allows it; they are heavy and can short.',
  source: commonPractice,
};

/** What is to be said about hanging or standing a rack, each where it applies and in the words of the region. */
export function mountingCautions(rack: Rack, units: Units, rules: RuleSetId): Caution[] {
  const passage = rules === 'north-america' ? headroom(units) : PASSAGE;
  const wall = rack.standing === 'wall' ? [WALL, DRILLING, ANCHORS, PLASTERBOARD, passage] : [TIPPING];
  return [...wall, electrical(units, rules), EARTH];
}

/** What is to be said about lifting gear into it. */
export const liftingCautions: readonly Caution[] = [LIFTING, BATTERY, TIPPING];
