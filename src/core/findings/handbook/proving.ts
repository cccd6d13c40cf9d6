import { fromMemory, published } from '../../base/standards/source';
import {
  acrfLimitDb,
  alienFextLimitDb,
  alienNextLimitDb,
  type ChannelClass,
  insertionLimitDb,
  type LimitSet,
  limitSource,
  type Measured,
  nextLimitDb,
  returnLimitDb,
} from '../../trade/testing/certification';
import { echoLengthM, frameErrorRate, nvpOf, secondsAnError, wrapSeconds } from '../../trade/testing/reflections';
import { noneSeenBound, sampleFinds, wilson, yieldOfEnds } from '../../trade/testing/yields';
import { choice, type Entry, figure, type Given, of } from './entry';

const GROUP = 'Testing';
const MHZ = figure('mhz', 'Frequency', 'MHz', [100, 1, 500]);
const SETS = choice('set', 'Category', ['5e', '6']);
const MEASURED = choice('of', 'Measured', ['channel', 'link']);
const SUM = choice('sum', 'Of', ['one pair', 'the power sum']);
/** The limits end where the category does, MHz (TIA-568.2): beyond it nothing comes of the formula. */
const BAND: Readonly<Record<LimitSet, number>> = { '5e': 100, '6': 250 };
const within = (given: Given, limit: (set: LimitSet, mhz: number) => number): number | null => {
  const [set, mhz] = [given.set as LimitSet, of(given, 'mhz')];
  return mhz > BAND[set] ? null : limit(set, mhz);
};
const physics = published('physics');
const statistics = published('binomial and hypergeometric distribution; Wilson 1927');

/** Of tests of copper, of echoes, and of what a number of tests proves. */
export const PROVING_ENTRIES: readonly Entry[] = [
  {
    id: 'near-end-limit',
    group: GROUP,
    tells: 'Near-end crosstalk that a tester must find at least.',
    inputs: [SETS, MEASURED, SUM, MHZ],
    unit: 'dB',
    digits: 1,
    formula: '-20 log(10^(-(A - 15 log({mhz}/100))/20) + n 10^(-(B - 20 log({mhz}/100))/20)) for {set}, {of}, {sum}',
    reckon: (given) =>
      within(given, (set, mhz) => nextLimitDb(set, given.of as Measured, mhz, given.sum === 'the power sum')),
    source: limitSource,
    example: { given: { set: '6', of: 'channel', sum: 'one pair', mhz: 100 }, result: 39.9, from: 'ANSI/TIA-568.2' },
  },
  {
    id: 'far-end-limit',
    group: GROUP,
    tells: 'Far-end crosstalk against loss that a tester must find at least.',
    inputs: [SETS, MEASURED, SUM, MHZ],
    unit: 'dB',
    digits: 1,
    formula: '-20 log(10^(-(A - 20 log({mhz}/100))/20) + n 10^(-(B - 20 log({mhz}/100))/20)) for {set}, {of}, {sum}',
    reckon: (given) =>
      within(given, (set, mhz) => acrfLimitDb(set, given.of as Measured, mhz, given.sum === 'the power sum')),
    source: limitSource,
    example: { given: { set: '6', of: 'channel', sum: 'one pair', mhz: 100 }, result: 23.3, from: 'ANSI/TIA-568.2' },
  },
  {
    id: 'insertion-limit',
    group: GROUP,
    tells: 'Insertion loss of a channel at most.',
    inputs: [choice('class', 'Class', ['D', 'E', 'EA']), MHZ],
    unit: 'dB',
    digits: 1,
    formula: '1.05 (a sqrt({mhz}) + b {mhz} + c / sqrt({mhz})) + connectors, for class {class}',
    reckon: (given) => insertionLimitDb(given.class as ChannelClass, of(given, 'mhz')),
    source: limitSource,
    example: { given: { class: 'D', mhz: 100 }, result: 24, from: 'ISO/IEC 11801' },
  },
  {
    id: 'return-limit',
    group: GROUP,
    tells: 'Return loss of a channel at least.',
    inputs: [SETS, MHZ],
    unit: 'dB',
    digits: 1,
    formula: 'table by {mhz} for {set}',
    reckon: (given) => within(given, returnLimitDb),
    source: limitSource,
    example: { given: { set: '6', mhz: 100 }, result: 12, from: 'ANSI/TIA-568.2' },
  },
  {
    id: 'alien-near-limit',
    group: GROUP,
    tells: 'Alien crosstalk of a 6A channel, near end, power sum, at least.',
    inputs: [MHZ],
    unit: 'dB',
    digits: 1,
    formula: '80 - 10 log({mhz}) to 100 MHz, 90 - 15 log({mhz}) above',
    reckon: (given) => alienNextLimitDb(of(given, 'mhz')),
    source: fromMemory('ANSI/TIA-568.2: alien crosstalk'),
    example: { given: { mhz: 250 }, result: 54, from: 'ANSI/TIA-568.2, from memory' },
  },
  {
    id: 'alien-far-limit',
    group: GROUP,
    tells: 'Alien crosstalk of a 6A channel, far end against loss, power sum, at least.',
    inputs: [MHZ],
    unit: 'dB',
    digits: 1,
    formula: '77 - 20 log({mhz})',
    reckon: (given) => alienFextLimitDb(of(given, 'mhz')),
    source: fromMemory('ANSI/TIA-568.2: alien crosstalk'),
    example: { given: { mhz: 500 }, result: 23, from: 'ANSI/TIA-568.2, from memory' },
  },
  {
    id: 'echo-length',
    group: GROUP,
    tells: 'How far away an echo comes from.',
    inputs: [
      figure('nvp', 'Speed against light', '', [0.69, 0.4, 0.99]),
      figure('ns', 'Time there and back', 'ns', [870, 0, 100_000]),
    ],
    unit: 'm',
    digits: 1,
    formula: '{nvp} × 0.2998 × {ns} / 2',
    reckon: (given) => echoLengthM(of(given, 'nvp'), of(given, 'ns')),
    source: physics,
    example: { given: { nvp: 0.69, ns: 1000 }, result: 103.4, from: 'physics: 0.103 m a nanosecond' },
  },
  {
    id: 'speed-in-cable',
    group: GROUP,
    tells: 'Speed in a cable against that of light, from a length that is known.',
    inputs: [figure('metres', 'Length', 'm', [30, 1, 1000]), figure('ns', 'Time one way', 'ns', [145, 1, 100_000])],
    unit: '',
    digits: 3,
    formula: '{metres} / (0.2998 × {ns})',
    reckon: (given) => nvpOf(of(given, 'metres'), of(given, 'ns')),
    source: physics,
    example: { given: { metres: 30, ns: 145 }, result: 0.69, from: 'physics' },
  },
  {
    id: 'frame-errors',
    group: GROUP,
    tells: 'Seconds from one broken frame to the next on a full link, by the bit errors that its standard allows.',
    inputs: [
      figure('power', 'Bit error rate 10 to the power of minus', '', [10, 6, 15]),
      figure('octets', 'Frame', 'octets', [1518, 64, 9216]),
      figure('mbps', 'Speed', 'Mb/s', [1000, 10, 100_000]),
    ],
    unit: 's',
    digits: 1,
    formula: '({octets} + 20) × 8 / {mbps} Mb/s / (1 - (1 - 10^-{power})^({octets} × 8))',
    reckon: (given) => secondsAnError(10 ** -of(given, 'power'), of(given, 'octets'), of(given, 'mbps')),
    source: published('IEEE 802.3: 1000BASE-T 1e-10, 10GBASE-T 1e-12'),
    example: { given: { power: 10, octets: 1518, mbps: 1000 }, result: 10.1, from: 'arithmetic' },
  },
  {
    id: 'frame-error-share',
    group: GROUP,
    tells: 'Broken frames in a million, by bit errors.',
    inputs: [
      figure('power', 'Bit error rate 10 to the power of minus', '', [10, 6, 15]),
      figure('octets', 'Frame', 'octets', [1518, 64, 9216]),
    ],
    unit: 'of a million',
    digits: 2,
    formula: '(1 - (1 - 10^-{power})^({octets} × 8)) × 10^6',
    reckon: (given) => frameErrorRate(10 ** -of(given, 'power'), of(given, 'octets')) * 1e6,
    source: published('arithmetic'),
    example: { given: { power: 10, octets: 1518 }, result: 1.21, from: 'arithmetic' },
  },
  {
    id: 'counter-wraps',
    group: GROUP,
    tells: 'Seconds until a counter of 32 bits over octets comes round on a full link: read the ones of 64.',
    inputs: [figure('mbps', 'Speed', 'Mb/s', [1000, 10, 100_000])],
    unit: 's',
    digits: 1,
    formula: '2^32 × 8 / {mbps} Mb/s',
    reckon: (given) => wrapSeconds(of(given, 'mbps')),
    source: published('RFC 2863'),
    example: { given: { mbps: 1000 }, result: 34.4, from: 'arithmetic' },
  },
  {
    id: 'none-failed',
    group: GROUP,
    tells: 'Most that may be bad of all, 95 %, where none of so many failed.',
    inputs: [figure('tests', 'Tests', '', [48, 1, 10_000])],
    unit: '%',
    digits: 2,
    formula: '1 - 0.05^(1/{tests})',
    reckon: (given) => noneSeenBound(of(given, 'tests')) * 100,
    source: statistics,
    example: { given: { tests: 48 }, result: 6.05, from: 'binomial distribution' },
  },
  {
    id: 'some-failed',
    group: GROUP,
    tells: 'Between which shares of failures, 95 %, where some failed.',
    inputs: [figure('failed', 'Failed', '', [3, 0, 10_000]), figure('tests', 'Tests', '', [48, 1, 10_000])],
    unit: '',
    digits: 1,
    formula: 'Wilson interval of {failed} of {tests}',
    reckon: (given) => {
      if (of(given, 'failed') > of(given, 'tests')) return null;
      const { low, high } = wilson(of(given, 'failed'), of(given, 'tests'));
      return `${(low * 100).toFixed(1)} to ${(high * 100).toFixed(1)} %`;
    },
    source: statistics,
    example: { given: { failed: 3, tests: 48 }, result: '2.1 to 16.8 %', from: 'Wilson 1927' },
  },
  {
    id: 'sample-finds',
    group: GROUP,
    tells: 'Chance that a sample of the links holds a bad one.',
    inputs: [
      figure('all', 'Links', '', [48, 1, 5000]),
      figure('bad', 'Bad', '', [2, 0, 5000]),
      figure('tested', 'Tested', '', [10, 0, 5000]),
    ],
    unit: '%',
    digits: 1,
    formula: '1 - C({all} - {bad}, {tested}) / C({all}, {tested})',
    reckon: (given) =>
      of(given, 'bad') > of(given, 'all') || of(given, 'tested') > of(given, 'all')
        ? null
        : sampleFinds(of(given, 'all'), of(given, 'bad'), of(given, 'tested')) * 100,
    source: statistics,
    example: { given: { all: 48, bad: 2, tested: 10 }, result: 37.7, from: 'hypergeometric distribution' },
  },
  {
    id: 'two-good-ends',
    group: GROUP,
    tells: 'Share of links that are good when each end is with so many percent.',
    inputs: [figure('percent', 'An end is good', '%', [98, 0, 100])],
    unit: '%',
    digits: 1,
    formula: '({percent} / 100)^2',
    reckon: (given) => yieldOfEnds(of(given, 'percent') / 100) * 100,
    source: published('arithmetic'),
    example: { given: { percent: 98 }, result: 96, from: 'arithmetic' },
  },
];
