import { conduitSizes, conduitWords } from '../../base/standards/conduits';
import { jamSource, roundUpSource } from '../../base/standards/pathwayRules';
import {
  FIRE_CLASSES,
  type FireClass,
  fireClassSource,
  RULE_SETS,
  type RuleSetId,
  reactsAsWell,
  ruleSets,
} from '../../base/standards/ruleSets';
import { published } from '../../base/standards/source';
import { continuousAmps } from '../../trade/power/mainsCurrent';
import { conduitCount, mayJam } from '../../trade/runs/pathways/fill';
import { choice, type Entry, figure, of } from './entry';

const GROUP = 'Rules of a region';
const SIZES = conduitSizes.map(conduitWords);

/** What a region's rules make of a number. */
export const RULES: readonly Entry[] = [
  {
    id: 'continuous-load',
    group: GROUP,
    tells: 'Amperes of a breaker that a continuous load may take.',
    inputs: [choice('rules', 'Rules of', RULE_SETS), figure('amps', 'Breaker', 'A', [20, 1, 125])],
    unit: 'A',
    digits: 1,
    formula: '{amps} × 0.8 in North America, × 1 elsewhere ({rules})',
    reckon: (given) => continuousAmps(of(given, 'amps'), ruleSets[given.rules as RuleSetId].continuous.share),
    source: published('NFPA 70 210.20(A); IEC 60364 has no general rule'),
    example: { given: { rules: 'north-america', amps: 20 }, result: 16, from: 'NFPA 70 210.20(A)' },
  },
  {
    id: 'mains',
    group: GROUP,
    tells: 'Mains that are reckoned with where nothing else was answered.',
    inputs: [choice('rules', 'Rules of', RULE_SETS)],
    unit: '',
    digits: 0,
    formula: 'table: {rules}',
    reckon: (given) => {
      const { answers, plug } = ruleSets[given.rules as RuleSetId];
      const volts = answers['mains-volts']?.value;
      return `${volts === 'unknown' ? 'voltage not known' : `${volts} V`}, ${answers['mains-amps']?.value} A${plug ? `, ${plug}` : ''}`;
    },
    source: published('ANSI C84.1, EN 50160; NEMA 5-15, CEE 7, BS 1363, AS/NZS 3112'),
    example: { given: { rules: 'united-kingdom' }, result: '230 V, 13 A, BS 1363', from: 'BS 1363, EN 50160' },
  },
  {
    id: 'reaction-to-fire',
    group: GROUP,
    tells: 'Whether cable of one class will do where another is asked for.',
    inputs: [choice('has', 'On its sheath', FIRE_CLASSES), choice('asked', 'Asked for', FIRE_CLASSES)],
    unit: '',
    digits: 0,
    formula: 'B2ca before Cca before Dca before Eca before Fca: {has} for {asked}',
    reckon: (given) => (reactsAsWell(given.has as FireClass, given.asked as FireClass) ? 'will do' : 'will not do'),
    source: fireClassSource,
    example: { given: { has: 'Dca', asked: 'Cca' }, result: 'will not do', from: 'EN 50575' },
  },
  {
    id: 'conduit-count',
    group: GROUP,
    tells: 'How many equal cables a conduit takes.',
    inputs: [
      choice('size', 'Conduit', SIZES),
      figure('diameter', 'Outside diameter', 'mm', [6, 1, 50]),
      choice('rules', 'Rules of', RULE_SETS),
    ],
    unit: '',
    digits: 0,
    formula: '40 % of the inside of {size}, by the table of the code where one binds ({rules}), over π/4 {diameter}²',
    reckon: (given) => {
      const size = conduitSizes.find((one) => conduitWords(one) === given.size);
      const by = ruleSets[given.rules as RuleSetId].conduitFill;
      return size ? conduitCount(size.areaMm2, of(given, 'diameter'), by).floor : null;
    },
    source: roundUpSource,
    example: {
      given: { size: 'EMT 1 (27)', diameter: 6, rules: 'north-america' },
      result: 7,
      from: 'NFPA 70 Chapter 9: 0.4 × 557.4 / 28.27',
    },
  },
  {
    id: 'jam',
    group: GROUP,
    tells: 'Whether three equal cables tend to jam in a bend of conduit.',
    inputs: [
      figure('inside', 'Inside diameter', 'mm', [18, 5, 200]),
      figure('diameter', 'Each cable', 'mm', [6, 1, 50]),
    ],
    unit: '',
    digits: 0,
    formula: '{inside} / {diameter} between 2.8 and 3.2',
    reckon: (given) => {
      const each = of(given, 'diameter');
      return mayJam(of(given, 'inside'), [each, each, each]) ? 'may jam' : 'runs freely';
    },
    source: jamSource,
    example: { given: { inside: 18, diameter: 6 }, result: 'may jam', from: '18 / 6 = 3.0' },
  },
];
