import { CATEGORIES, type Category, reachFor } from '../../base/standards/categoryReach';
import { permanentLinkSource } from '../../base/standards/copperLengths';
import { cableLimitSource, copperSource } from '../../base/standards/copperWire';
import { type CordGauge, cordDerating } from '../../base/standards/cordDerating';
import { ethernetRateSource, goodput, transferMinutes } from '../../base/standards/ethernetRates';
import { published } from '../../base/standards/source';
import { temperatureSource } from '../../base/standards/temperatureDerating';
import { limitLoopOhm, loopOhm } from '../../trade/power/copperWire';
import {
  cordsAllowedMm,
  cordsByFormulaMm,
  fixedAllowedMm,
  linkLimitMm,
  temperatureLoss,
} from '../../trade/runs/linkLimits';
import { choice, type Entry, figure, of } from './entry';

const GROUP = 'Copper cabling';
const GAUGES = ['24', '26', '28'] as const;
const SHIELDS = ['unscreened', 'screened'] as const;
const gaugeOf = (given: Parameters<Entry['reckon']>[0]) => of(given, 'gauge') as CordGauge;

export const CABLING: readonly Entry[] = [
  {
    id: 'cords-by-formula',
    group: GROUP,
    tells: 'How long all cords of a channel may be together, by the formula alone.',
    inputs: [figure('fixed', 'Fixed cable', 'm', [90, 1, 90]), choice('gauge', 'Gauge of the cords', GAUGES)],
    unit: 'm',
    digits: 2,
    formula: '(102 − {fixed}) / (1 + D), D = 0.2 for 24, 0.5 for 26, 0.95 for 28 AWG',
    reckon: (given) => cordsByFormulaMm(of(given, 'fixed') * 1000, gaugeOf(given)) / 1000,
    source: cordDerating[24].source,
    sourceFor: (given) => cordDerating[gaugeOf(given)].source,
    example: { given: { fixed: 85, gauge: '26' }, result: 11.33, from: 'ANSI/TIA-568.1' },
  },
  {
    id: 'cords-allowed',
    group: GROUP,
    tells: 'How long all cords of a channel may be together, warm cable and the caps of each gauge counted.',
    inputs: [
      figure('fixed', 'Fixed cable', 'm', [75, 1, 90]),
      choice('gauge', 'Gauge of the cords', GAUGES),
      figure('celsius', 'Warmest place of the cable', '°C', [50, -10, 60]),
      choice('shield', 'Cable', SHIELDS),
    ],
    unit: 'm',
    digits: 2,
    formula: 'least of (102 − {fixed} / (1 − p at {celsius})) / (1 + D) and 27, 21 or 15 m for 24, 26 or 28 AWG',
    reckon: (given) =>
      cordsAllowedMm(
        of(given, 'fixed') * 1000,
        gaugeOf(given),
        temperatureLoss(of(given, 'celsius'), given.shield === 'screened'),
      ) / 1000,
    source: cordDerating[24].source,
    sourceFor: (given) => cordDerating[gaugeOf(given)].source,
    example: {
      given: { fixed: 75, gauge: '24', celsius: 50, shield: 'unscreened' },
      result: 12.33,
      from: '(102 − 75/0.86) / 1.2',
    },
  },
  {
    id: 'fixed-allowed',
    group: GROUP,
    tells: 'How long the fixed cable may be for the cords that go with it.',
    inputs: [figure('cords', 'All cords together', 'm', [20, 0, 60]), choice('gauge', 'Gauge of the cords', GAUGES)],
    unit: 'm',
    digits: 2,
    formula: '102 − {cords} × (1 + D), never over 90 m',
    reckon: (given) => fixedAllowedMm(of(given, 'cords') * 1000, gaugeOf(given)) / 1000,
    source: cordDerating[24].source,
    sourceFor: (given) => cordDerating[gaugeOf(given)].source,
    example: { given: { cords: 20, gauge: '26' }, result: 72, from: 'ANSI/TIA-568.1' },
  },
  {
    id: 'temperature-loss',
    group: GROUP,
    tells: 'Share of length that a warm place costs.',
    inputs: [figure('celsius', 'Warmest place', '°C', [45, -10, 60]), choice('shield', 'Cable', SHIELDS)],
    unit: '%',
    digits: 1,
    formula: 'unscreened 0.4 % a degree from 20 to 40 °C, 0.6 % above; screened 0.2 %: at {celsius}',
    reckon: (given) => 100 * temperatureLoss(of(given, 'celsius'), given.shield === 'screened'),
    source: temperatureSource,
    example: { given: { celsius: 45, shield: 'unscreened' }, result: 11, from: '20 × 0.4 + 5 × 0.6' },
  },
  {
    id: 'link-limit',
    group: GROUP,
    tells: 'Longest fixed cable of a category at a temperature and speed.',
    inputs: [
      choice('category', 'Category', CATEGORIES),
      figure('celsius', 'Warmest place', '°C', [20, -10, 60]),
      choice('shield', 'Cable', SHIELDS),
      figure('mbps', 'Speed', 'Mb/s', [1000, 10, 40_000]),
    ],
    unit: 'm',
    digits: 1,
    formula: '90 m (Cat 8 above 10 Gb/s: 24 m) × (1 − p at {celsius})',
    reckon: (given) =>
      linkLimitMm(given.category as Category, of(given, 'celsius'), given.shield === 'screened', of(given, 'mbps')) /
      1000,
    source: permanentLinkSource,
    example: {
      given: { category: '6', celsius: 50, shield: 'unscreened', mbps: 1000 },
      result: 77.4,
      from: 'ISO/IEC 11801-1: 90 × 0.86',
    },
  },
  {
    id: 'category-reach',
    group: GROUP,
    tells: 'How far a channel of a category surely carries a speed.',
    inputs: [choice('category', 'Category', CATEGORIES), figure('mbps', 'Speed', 'Mb/s', [10_000, 10, 40_000])],
    unit: 'm',
    digits: 0,
    formula: 'table: {category} at {mbps}',
    reckon: (given) => {
      const reach = reachFor(given.category as Category, of(given, 'mbps'));
      return reach && reach.sureMm / 1000;
    },
    source: published('IEEE 802.3 clauses 40, 55, 113, 126; TIA TSB-155-A for Cat 6 at 10 Gb/s'),
    sourceFor: (given) =>
      reachFor(given.category as Category, of(given, 'mbps'))?.source ??
      published('IEEE 802.3 clauses 40, 55, 113, 126'),
    example: { given: { category: '6A', mbps: 10_000 }, result: 100, from: 'IEEE 802.3 clause 55' },
  },
  {
    id: 'loop-resistance',
    group: GROUP,
    tells: 'Resistance of one pair there and back, of good copper.',
    inputs: [
      figure('metres', 'Length', 'm', [75, 0, 500]),
      figure('awg', 'Gauge', 'AWG', [23, 18, 30]),
      figure('celsius', 'Temperature', '°C', [40, -40, 90]),
    ],
    unit: 'Ω',
    digits: 2,
    formula: '2 × {metres} × 0.017241 / A({awg}) × (1 + 0.00393 × ({celsius} − 20))',
    reckon: (given) => loopOhm(of(given, 'metres') * 1000, of(given, 'awg'), of(given, 'celsius')),
    source: copperSource,
    example: { given: { metres: 75, awg: 23, celsius: 40 }, result: 10.81, from: 'ASTM B258; IEC 60028' },
  },
  {
    id: 'loop-resistance-limit',
    group: GROUP,
    tells: 'Resistance of one pair there and back that cable of the standard may have at most.',
    inputs: [
      figure('metres', 'Length', 'm', [90, 0, 500]),
      figure('awg', 'Gauge', 'AWG', [23, 18, 30]),
      figure('celsius', 'Temperature', '°C', [20, -40, 90]),
    ],
    unit: 'Ω',
    digits: 2,
    formula: '2 × {metres} / 100 × 9.38 × (1 + 0.00393 × ({celsius} − 20)), or that of copper where it is more',
    reckon: (given) => limitLoopOhm(of(given, 'metres') * 1000, of(given, 'awg'), of(given, 'celsius')),
    source: cableLimitSource,
    example: { given: { metres: 90, awg: 23, celsius: 20 }, result: 16.88, from: 'ANSI/TIA-568.2-D: 1.8 × 9.38' },
  },
  {
    id: 'goodput',
    group: GROUP,
    tells: 'What a link hands over of data at most.',
    inputs: [figure('mbps', 'Speed of the link', 'Mb/s', [1000, 10, 400_000])],
    unit: 'Mb/s',
    digits: 1,
    formula: '{mbps} × (1500 − 52) / (1500 + 38)',
    reckon: (given) => goodput(of(given, 'mbps')),
    source: ethernetRateSource,
    example: { given: { mbps: 1000 }, result: 941.5, from: '1000 × 1448 / 1538' },
  },
  {
    id: 'transfer-time',
    group: GROUP,
    tells: 'Minutes that a copy takes at best.',
    inputs: [
      figure('gigabytes', 'Data', 'GB', [100, 0, 100_000]),
      figure('mbps', 'Speed', 'Mb/s', [1000, 10, 400_000]),
    ],
    unit: 'min',
    digits: 1,
    formula: '{gigabytes} × 8 / goodput({mbps}) / 60',
    reckon: (given) => transferMinutes(of(given, 'gigabytes') * 1e9, of(given, 'mbps')),
    source: ethernetRateSource,
    example: { given: { gigabytes: 100, mbps: 1000 }, result: 14.2, from: '800 000 / 941.5 / 60' },
  },
];
