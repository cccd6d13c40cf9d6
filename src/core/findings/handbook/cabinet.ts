import {
  liftingFilter,
  liftingFilterSource,
  liftingSource,
  teamLiftKg,
  teamSource,
} from '../../base/standards/lifting';
import { fibreLoss } from '../../base/standards/links';
import { plugRoomMm, plugSource } from '../../base/standards/plugRoom';
import { rackDimensions, rackDimensionsSource } from '../../base/standards/rackDimensions';
import { commonPractice } from '../../base/standards/source';
import {
  eurocodeSource,
  eurocodeWithdrawalN,
  GRAVITY,
  leadHoleShare,
  leadHoleSource,
  SPECIES,
  specificGravity,
  staticsSource,
  withdrawalSource,
  woodScrews,
} from '../../base/standards/withdrawal';
import { holeHeightMm } from '../../job/rack/holes';
import { Mount } from '../../job/records/mount';
import { flagLengthMm, wrapLengthMm } from '../../trade/labels/labelSize';
import { type CordWay, cordPathMm } from '../../trade/patching/cords/cordLength';
import { linkLossDb } from '../../trade/patching/uplinks/uplinkFacts';
import { liftingIndex, reachCm, recommendedLimit } from '../../trade/rack/lifting/liftingEquation';
import { fixingForces, permittedPullN } from '../../trade/rack/mounting/wallMount';
import { choice, type Entry, figure, of } from './entry';

const CABINET = 'Cabinet';
const HANGING = 'Hanging and lifting';
const SCREWS = Object.keys(woodScrews) as (keyof typeof woodScrews)[];
/** The two columns of the guideline filter, by what one may lift close to the body at the waist. */
const LIFT_LIMITS = { '16 kg': 'women', '25 kg': 'men' } as const;
const FILTER_ZONES: string[] = liftingFilter.men.map(({ zone }) => zone);
const CONNECTORS = Object.keys(plugRoomMm) as (keyof typeof plugRoomMm)[];

export const CABINET_ENTRIES: readonly Entry[] = [
  {
    id: 'units-to-mm',
    group: CABINET,
    tells: 'Height of rack units.',
    inputs: [figure('units', 'Units', 'U', [18, 0, 60])],
    unit: 'mm',
    digits: 2,
    formula: '{units} × 44.45',
    reckon: (given) => of(given, 'units') * rackDimensions.unitMm,
    source: rackDimensionsSource,
    example: { given: { units: 18 }, result: 800.1, from: 'EIA/ECA-310-E' },
  },
  {
    id: 'hole-height',
    group: CABINET,
    tells: 'Middle of a hole above the lower edge of unit 1.',
    inputs: [figure('unit', 'Unit', 'U', [2, 1, 60]), figure('hole', 'Hole of the unit', '', [1, 1, 3])],
    unit: 'mm',
    digits: 2,
    formula: '({unit} − 1) × 44.45 + 6.35, 22.225 or 38.1 for hole {hole}',
    reckon: (given) => holeHeightMm(of(given, 'unit'), of(given, 'hole')),
    source: rackDimensionsSource,
    example: { given: { unit: 2, hole: 1 }, result: 50.8, from: 'EIA/ECA-310-E: 44.45 + 6.35' },
  },
  {
    id: 'room-before-ports',
    group: CABINET,
    tells: 'Room that a plug, its boot and the bend of its cord take before a face.',
    inputs: [choice('connector', 'Port', CONNECTORS)],
    unit: 'mm',
    digits: 0,
    formula: 'boot + bend radius + diameter of the largest cord for {connector}',
    reckon: (given) => plugRoomMm[given.connector as (typeof CONNECTORS)[number]],
    source: plugSource,
    example: { given: { connector: 'rj45' }, result: 64, from: '35 + 23 + 5.8' },
  },
  {
    id: 'cord-way',
    group: CABINET,
    tells: 'Way of a cord from port to port, with its ends.',
    inputs: [
      choice('way', 'It goes', ['straight', 'manager', 'side']),
      figure('across', 'Across', 'mm', [60, 0, 482]),
      figure('drop', 'Up or down', 'mm', [44.45, 0, 2700]),
    ],
    unit: 'mm',
    digits: 0,
    formula: '{across} + {drop} + ends; through a manager 120 mm more, round the side 180 mm and to the edge',
    reckon: (given) => cordPathMm(given.way as CordWay, 0, of(given, 'across'), of(given, 'drop')),
    source: commonPractice,
    example: {
      given: { way: 'straight', across: 60, drop: 44.45 },
      result: 214,
      from: '60 + 44.45 + 110 of ends: 2 × (35 + 23 π / 4) + 4',
    },
  },
  {
    id: 'wrap-label',
    group: CABINET,
    tells: 'Least length of a wrap label with a clear tail.',
    inputs: [
      figure('print', 'Printed part', 'mm', [15, 3, 100]),
      figure('diameter', 'Cable', 'mm', [6, 1, 50]),
      figure('turns', 'Turns of the clear tail', '', [1, 1, 5]),
    ],
    unit: 'mm',
    digits: 1,
    formula: '{print} + {turns} × π × {diameter} + 5',
    reckon: (given) => wrapLengthMm(of(given, 'print'), of(given, 'diameter'), of(given, 'turns')),
    source: commonPractice,
    example: { given: { print: 15, diameter: 6, turns: 1 }, result: 38.8, from: '15 + 18.85 + 5' },
  },
  {
    id: 'flag-label',
    group: CABINET,
    tells: 'Length of a flag label: two flags and the turn between them.',
    inputs: [figure('flag', 'One flag', 'mm', [25, 5, 100]), figure('diameter', 'Cable', 'mm', [6, 1, 50])],
    unit: 'mm',
    digits: 1,
    formula: '2 × {flag} + π × {diameter}',
    reckon: (given) => flagLengthMm(of(given, 'flag'), of(given, 'diameter')),
    source: commonPractice,
    example: { given: { flag: 25, diameter: 6 }, result: 68.8, from: '50 + 18.85' },
  },
  {
    id: 'fibre-loss',
    group: CABINET,
    tells: 'Loss of a fibre link with its connectors.',
    inputs: [
      figure('metres', 'Length', 'm', [100, 0, 40_000]),
      figure('pairs', 'Mated pairs', '', [2, 0, 12]),
      choice('mode', 'Fibre', ['multi', 'single']),
    ],
    unit: 'dB',
    digits: 2,
    formula: '{metres} / 1000 × 3.5 (single-mode indoors 1.0) + {pairs} × 0.75',
    reckon: (given) => linkLossDb(of(given, 'metres') * 1000, of(given, 'pairs'), given.mode as 'multi' | 'single'),
    source: fibreLoss.source,
    example: { given: { metres: 100, pairs: 2, mode: 'multi' }, result: 1.85, from: 'ANSI/TIA-568.3: 0.35 + 1.5' },
  },
  {
    id: 'withdrawal',
    group: HANGING,
    tells: 'What a screw in the side grain of wood may be pulled by, permanent load not counted.',
    inputs: [
      choice('screw', 'Screw', SCREWS),
      choice('wood', 'Wood', SPECIES),
      figure('thread', 'Thread in the wood', 'mm', [38.1, 1, 300]),
    ],
    unit: 'N',
    digits: 0,
    formula: 'lag 1800 G^1.5 D^0.75, wood screw 2850 G² D pounds an inch, over {thread}',
    reckon: (given) =>
      permittedPullN({
        fastener: given.screw as (typeof SCREWS)[number],
        species: given.wood as (typeof SPECIES)[number],
        threadInMm: of(given, 'thread'),
        lastingFactor: 1,
      }),
    source: withdrawalSource,
    example: {
      given: { screw: 'lag-1/4', wood: 'spruce-pine-fir', thread: 38.1 },
      result: 1156,
      from: 'NDS-2018: 260 lbf',
    },
  },
  {
    id: 'top-fixing-pull',
    group: HANGING,
    tells: 'Pull on all top fixings of a box on a wall.',
    inputs: [
      figure('mass', 'Mass', 'kg', [45, 0, 500]),
      figure('out', 'Centre of gravity out from the wall', 'mm', [225, 0, 1000]),
      figure('height', 'Fixings above the lower edge', 'mm', [550, 50, 3000]),
    ],
    unit: 'N',
    digits: 1,
    formula: '{mass} × 9.80665 × {out} / {height}',
    reckon: (given) =>
      fixingForces(
        Mount.parse({ id: 'm', rackId: 'r', bottomCount: 0, bracketHeightMm: Math.round(of(given, 'height')) }),
        of(given, 'mass') * GRAVITY,
        of(given, 'out'),
      ).pullN,
    source: staticsSource,
    example: { given: { mass: 45, out: 225, height: 550 }, result: 180.5, from: '441.3 × 0.225 / 0.55' },
  },
  {
    id: 'lifting-limit',
    group: HANGING,
    tells: 'Weight that the lifting equation recommends as the most, lifted once, not twisted.',
    inputs: [
      figure('reach', 'Hands out from the ankles', 'cm', [30, 20, 70]),
      figure('height', 'Hands above the floor', 'cm', [20, 0, 180]),
      figure('travel', 'Moved through', 'cm', [100, 0, 180]),
    ],
    unit: 'kg',
    digits: 2,
    formula: '23 × 25/{reach} × (1 − 0.003 |{height} − 75|) × (0.82 + 4.5/{travel}) × coupling, fair',
    reckon: (given) =>
      recommendedLimit({
        reachCm: of(given, 'reach'),
        heightCm: of(given, 'height'),
        travelCm: of(given, 'travel'),
        twistDeg: 0,
        perMinute: 0.2,
        duration: 'hour',
        coupling: 'fair',
      }).limitKg,
    source: liftingSource,
    example: {
      given: { reach: 30, height: 20, travel: 100 },
      result: 13.15,
      from: '23 × 0.8333 × 0.835 × 0.865 × 0.95',
    },
  },
  {
    id: 'lifting-index',
    group: HANGING,
    tells: 'Mass against its limit: up to 1 is acceptable to most, above 3 the risk is high.',
    inputs: [figure('mass', 'Mass', 'kg', [15, 0, 100]), figure('limit', 'Recommended limit', 'kg', [13.15, 0.1, 23])],
    unit: '',
    digits: 2,
    formula: '{mass} / {limit}',
    reckon: (given) => liftingIndex(of(given, 'mass'), of(given, 'limit')),
    source: liftingSource,
    example: { given: { mass: 15, limit: 13.15 }, result: 1.14, from: '15 / 13.15' },
  },
  {
    id: 'hand-reach',
    group: HANGING,
    tells: 'How far out the hands hold a load.',
    inputs: [
      figure('depth', 'Load, away from the body', 'mm', [450, 0, 1000]),
      figure('height', 'Hands', 'cm', [20, 0, 180]),
    ],
    unit: 'cm',
    digits: 1,
    formula: '20 + W/2 from 25 cm up, 25 + W/2 below: {depth} at {height}',
    reckon: (given) => reachCm(of(given, 'depth'), of(given, 'height')),
    source: liftingSource,
    example: { given: { depth: 450, height: 20 }, result: 47.5, from: 'NIOSH 94-110: 25 + 22.5' },
  },
  {
    id: 'team-lift',
    group: HANGING,
    tells: 'What a team lifts, of the sum of what each lifts alone.',
    inputs: [choice('people', 'People', ['2', '3']), figure('each', 'Each alone', 'kg', [15, 0, 50])],
    unit: 'kg',
    digits: 1,
    formula: '{people} × {each} × 2/3 for two, 1/2 for three',
    reckon: (given) => teamLiftKg(given.people === '3' ? 3 : 2, of(given, 'each')),
    source: teamSource,
    example: { given: { people: '2', each: 15 }, result: 20, from: 'HSE L23: 30 × 2/3' },
  },
  {
    id: 'lifting-filter',
    group: HANGING,
    tells: 'Weight that the guideline filter lets one person lift in a zone; across zones the smallest counts.',
    inputs: [
      choice('who', 'Limit at the waist, close to the body', Object.keys(LIFT_LIMITS)),
      choice('zone', 'Hands at', FILTER_ZONES),
      choice('out', 'Held', ['close', 'at arm’s length']),
    ],
    unit: 'kg',
    digits: 0,
    formula: 'table: {who}, {zone}, {out}',
    reckon: (given) => {
      const row =
        liftingFilter[LIFT_LIMITS[given.who as keyof typeof LIFT_LIMITS]][FILTER_ZONES.indexOf(String(given.zone))];
      return row ? (given.out === 'close' ? row.close : row.arms) : null;
    },
    source: liftingFilterSource,
    example: {
      given: { who: '25 kg', zone: liftingFilter.men[2].zone, out: 'close' },
      result: 25,
      from: 'HSE INDG143',
    },
  },
  {
    id: 'lead-hole',
    group: HANGING,
    tells: 'Lead hole for the thread of a lag screw, smallest and largest.',
    inputs: [choice('wood', 'Wood', SPECIES), figure('shank', 'Shank', 'mm', [6.35, 3, 20])],
    unit: 'mm',
    digits: 1,
    formula: 'shares of {shank} by the gravity of {wood}',
    reckon: (given) => {
      const share = leadHoleShare(specificGravity[given.wood as (typeof SPECIES)[number]]);
      return [share.least, share.most].map((one) => (one * of(given, 'shank')).toFixed(1)).join(' to ');
    },
    source: leadHoleSource,
    example: { given: { wood: 'spruce-pine-fir', shank: 6.35 }, result: '2.5 to 4.4', from: 'NDS 12.1.4: 40 and 70 %' },
  },
  {
    id: 'withdrawal-eurocode',
    group: HANGING,
    tells: 'Characteristic withdrawal of a screw straight into wood, for comparison.',
    inputs: [
      figure('diameter', 'Screw', 'mm', [8, 6, 12]),
      figure('thread', 'Thread in the wood', 'mm', [80, 10, 300]),
      figure('density', 'Density of the wood', 'kg/m³', [350, 200, 900]),
    ],
    unit: 'N',
    digits: 0,
    formula: '0.52 {diameter}^−0.5 {thread}^−0.1 {density}^0.8 × {diameter} × {thread} × min({diameter}/8, 1)',
    reckon: (given) => eurocodeWithdrawalN(of(given, 'diameter'), of(given, 'thread'), of(given, 'density')),
    source: eurocodeSource,
    example: {
      given: { diameter: 8, thread: 80, density: 350 },
      result: 8233,
      from: 'EN 1995-1-1 8.7.2: 0.52 × 0.3536 × 0.6452 × 108.45 × 640',
    },
  },
];
