import { packingSource } from '../../base/standards/circlePacking';
import { separationMm, separationSource } from '../../base/standards/mainsSeparation';
import {
  conduitRulesSource,
  fillSource,
  stackingHeightMm,
  stackingSource,
  supportSource,
} from '../../base/standards/pathwayRules';
import { commonPractice } from '../../base/standards/source';
import { bundleOf } from '../../trade/runs/pathways/bundle';
import { circleArea, conduitShare, fillOf } from '../../trade/runs/pathways/fill';
import { conduitBendMm, hookCount, pullPointsNeeded, tieCount } from '../../trade/runs/pathways/pathwayFigures';
import { separationNeededMm } from '../../trade/runs/pathways/separation';
import { choice, type Entry, figure, of } from './entry';

const GROUP = 'Pathways';
const CONTAINMENTS = Object.keys(separationMm.unscreened) as (keyof typeof separationMm.unscreened)[];
const cables = [
  figure('count', 'Cables', '', [24, 1, 150]),
  figure('diameter', 'Outside diameter', 'mm', [6, 1, 50]),
] as const;
const bundleIn = (given: Parameters<Entry['reckon']>[0]) =>
  bundleOf(new Array(Math.round(of(given, 'count'))).fill(of(given, 'diameter')));

export const PATHWAYS: readonly Entry[] = [
  {
    id: 'bundle-tightest',
    group: GROUP,
    tells: 'Diameter of the tightest round bundle of equal cables.',
    inputs: cables,
    unit: 'mm',
    digits: 1,
    formula: 'ratio of {count} equal circles × {diameter}',
    reckon: (given) => bundleIn(given).diameterMm,
    source: packingSource,
    example: { given: { count: 24, diameter: 6 }, result: 33.9, from: 'collected tables of packings: 5.6517 × 6' },
  },
  {
    id: 'bundle-dressed',
    group: GROUP,
    tells: 'Diameter of a bundle as hands dress it; a hole is judged by this.',
    inputs: cables,
    unit: 'mm',
    digits: 1,
    formula: 'tightest bundle of {count} × {diameter}, and 10 %',
    reckon: (given) => bundleIn(given).dressedMm,
    source: commonPractice,
    example: { given: { count: 24, diameter: 6 }, result: 37.3, from: '33.9 × 1.1' },
  },
  {
    id: 'conduit-share',
    group: GROUP,
    tells: 'Share of a conduit’s cross-section that cables may take.',
    inputs: [
      figure('count', 'Cables', '', [4, 1, 500]),
      figure('metres', 'Length of the conduit', 'm', [5, 0.01, 100]),
    ],
    unit: '%',
    digits: 0,
    formula: 'one cable 53 %, two 31 %, more 40 %; to 0.6 m 60 %: {count} over {metres}',
    reckon: (given) => 100 * conduitShare(of(given, 'count'), of(given, 'metres') * 1000).share,
    source: fillSource,
    example: { given: { count: 2, metres: 5 }, result: 31, from: 'NFPA 70 Chapter 9, Table 1' },
  },
  {
    id: 'conduit-fill',
    group: GROUP,
    tells: 'How full equal cables make a round conduit.',
    inputs: [...cables, figure('inside', 'Inside diameter', 'mm', [26.6, 5, 200])],
    unit: '%',
    digits: 1,
    formula: '{count} × {diameter}² / {inside}²',
    reckon: (given) =>
      100 *
      fillOf(
        Array.from({ length: of(given, 'count') }, () => of(given, 'diameter')),
        circleArea(of(given, 'inside')),
      ),
    source: fillSource,
    example: { given: { count: 8, diameter: 6, inside: 26.6 }, result: 40.7, from: '8 × 36 / 707.56' },
  },
  {
    id: 'conduit-bend',
    group: GROUP,
    tells: 'Least bend radius of a conduit.',
    inputs: [figure('inside', 'Inside diameter', 'mm', [26.6, 5, 200]), choice('holds', 'Holds', ['copper', 'fibre'])],
    unit: 'mm',
    digits: 0,
    formula: '6 × {inside} to the 2-inch size, 10 × above it or with fibre',
    reckon: (given) => conduitBendMm(of(given, 'inside'), given.holds === 'fibre'),
    source: conduitRulesSource,
    example: { given: { inside: 26.6, holds: 'copper' }, result: 160, from: 'ANSI/TIA-569: 6 × 26.6' },
  },
  {
    id: 'pull-points',
    group: GROUP,
    tells: 'Boxes that a conduit needs on its way.',
    inputs: [figure('bends', 'Bends of 90°', '', [4, 0, 40]), figure('metres', 'Length', 'm', [20, 1, 1000])],
    unit: '',
    digits: 0,
    formula: 'one for every two bends ({bends}) and every 30 m ({metres}), less one',
    reckon: (given) => pullPointsNeeded({ bends: of(given, 'bends'), lengthMm: of(given, 'metres') * 1000 }),
    source: conduitRulesSource,
    example: { given: { bends: 4, metres: 20 }, result: 1, from: 'ANSI/TIA-569: two bends, 30 m between pull points' },
  },
  {
    id: 'hooks',
    group: GROUP,
    tells: 'Hooks along a way, one at each end.',
    inputs: [figure('metres', 'Length', 'm', [12, 0.1, 1000]), figure('spacing', 'Apart', 'm', [1.5, 0.1, 5])],
    unit: '',
    digits: 0,
    formula: '⌈{metres} / {spacing}⌉ + 1',
    reckon: (given) => hookCount(of(given, 'metres') * 1000, of(given, 'spacing') * 1000),
    source: supportSource,
    example: { given: { metres: 12, spacing: 1.5 }, result: 9, from: '8 + 1' },
  },
  {
    id: 'ties',
    group: GROUP,
    tells: 'Ties along a bundle, one at each end.',
    inputs: [figure('metres', 'Length', 'm', [10, 0.1, 1000]), figure('spacing', 'Apart', 'mm', [200, 50, 2000])],
    unit: '',
    digits: 0,
    formula: '⌊{metres} × 1000 / {spacing}⌋ + 1',
    reckon: (given) => tieCount(of(given, 'metres') * 1000, of(given, 'spacing')),
    source: commonPractice,
    example: { given: { metres: 10, spacing: 200 }, result: 51, from: '50 + 1' },
  },
  {
    id: 'stacking-height',
    group: GROUP,
    tells: 'How high cables may lie on supports so far apart.',
    inputs: [figure('spacing', 'Supports apart', 'mm', [1000, 0, 5000])],
    unit: 'mm',
    digits: 0,
    formula: '150 / (1 + 0.0007 × {spacing})',
    reckon: (given) => stackingHeightMm(of(given, 'spacing')),
    source: stackingSource,
    example: { given: { spacing: 1000 }, result: 88, from: '150 / 1.7' },
  },
  {
    id: 'mains-separation',
    group: GROUP,
    tells: 'Least distance of data cable from mains.',
    inputs: [
      choice('shield', 'Data cable', ['unscreened', 'screened']),
      choice('containment', 'Between them', CONTAINMENTS),
      figure('circuits', 'Mains circuits of 20 A', '', [6, 0, 200]),
    ],
    unit: 'mm',
    digits: 0,
    formula: 'A = S × P: S of {shield} cable and {containment}, P of {circuits}',
    reckon: (given) =>
      separationNeededMm(
        given.shield === 'screened',
        given.containment as (typeof CONTAINMENTS)[number],
        of(given, 'circuits'),
      ),
    source: separationSource,
    example: {
      given: { shield: 'unscreened', containment: 'none', circuits: 6 },
      result: 40,
      from: 'EN 50174-2: 100 × 0.4',
    },
  },
];
