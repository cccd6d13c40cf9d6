import { poeSource } from '../../base/standards/poeClasses';
import { commonPractice, published } from '../../base/standards/source';
import { amperes, mainsForPoeW } from '../../trade/power/mainsCurrent';
import { poeClassFor, portWattsOf } from '../../trade/power/poe';
import { feedOhm, feedThrough } from '../../trade/power/poeFeed';
import { grownNeed } from '../../trade/survey/capacity';
import { choice, type Entry, figure, of } from './entry';

const GROUP = 'Power';

export const POWER: readonly Entry[] = [
  {
    id: 'poe-class',
    group: GROUP,
    tells: 'The lowest power class that covers what a device draws.',
    inputs: [figure('watts', 'At the device', 'W', [21, 0, 100])],
    unit: '',
    digits: 0,
    formula: 'first class whose device limit is {watts} or more',
    reckon: (given) => {
      const row = poeClassFor(of(given, 'watts'));
      return row === null ? 'takes no power' : row === 'beyond' ? 'beyond every class' : `class ${row.class}`;
    },
    source: poeSource,
    example: { given: { watts: 25.5 }, result: 'class 4', from: 'IEEE 802.3-2022 clause 145' },
  },
  {
    id: 'poe-set-aside',
    group: GROUP,
    tells: 'Watts that a switch sets aside for a device, by its class, or as class 3 at least where none is known.',
    inputs: [
      figure('watts', 'At the device', 'W', [5, 0, 71.3]),
      choice('class', 'Class', ['not known', '0', '1', '2', '3', '4', '5', '6', '7', '8']),
    ],
    unit: 'W',
    digits: 1,
    formula:
      'class 1: 4; 2: 7; 0 and 3: 15.4; 4: 30; 5: 45; 6: 60; 7: 75; 8: 90 W at the port, for {watts} of class {class}',
    reckon: (given) =>
      portWattsOf({ poeW: of(given, 'watts'), poeClass: given.class === 'not known' ? null : Number(given.class) }),
    source: poeSource,
    example: { given: { watts: 5, class: 'not known' }, result: 15.4, from: 'IEEE 802.3-2022, 33.2.7' },
  },
  {
    id: 'voltage-at-device',
    group: GROUP,
    tells: 'Volts that arrive at a device over a pair loop.',
    inputs: [
      figure('volts', 'At the port', 'V', [50, 44, 57]),
      figure('loop', 'Loop of one pair', 'Ω', [25, 0, 60]),
      choice('pairs', 'Pairs in use', ['2', '4']),
      figure('watts', 'At the device', 'W', [25.5, 0.1, 71.3]),
    ],
    unit: 'V',
    digits: 1,
    formula: 'V − I × R, I = ({volts} − √({volts}² − 4 R {watts})) / 2R, R = {loop} / 2 over two pairs, / 4 over four',
    reckon: (given) =>
      feedThrough(of(given, 'volts'), feedOhm(of(given, 'loop'), of(given, 'pairs') as 2 | 4), of(given, 'watts'))
        ?.deviceV ?? null,
    source: published('IEEE 802.3-2022 clauses 33 and 145; Ohm’s law'),
    example: {
      given: { volts: 50, loop: 25, pairs: '2', watts: 25.5 },
      result: 42.5,
      from: 'IEEE 802.3 clause 33: class 4',
    },
  },
  {
    id: 'mains-current',
    group: GROUP,
    tells: 'Current of a load at the mains.',
    inputs: [
      figure('watts', 'Load', 'W', [419, 0, 20_000]),
      figure('volts', 'Mains', 'V', [230, 100, 240]),
      figure('factor', 'Power factor', '', [0.6, 0.3, 1]),
    ],
    unit: 'A',
    digits: 2,
    formula: '{watts} / ({volts} × {factor})',
    reckon: (given) => amperes(of(given, 'watts'), of(given, 'volts'), of(given, 'factor')),
    source: published('physics: real power'),
    example: { given: { watts: 419, volts: 230, factor: 0.6 }, result: 3.04, from: '419 / 138' },
  },
  {
    id: 'poe-at-the-mains',
    group: GROUP,
    tells: 'Watts at the mains for what leaves a switch’s ports.',
    inputs: [
      figure('watts', 'Leaving the ports', 'W', [208, 0, 5000]),
      figure('efficiency', 'Efficiency of the supply', '', [0.85, 0.5, 1]),
    ],
    unit: 'W',
    digits: 1,
    formula: '{watts} / {efficiency}',
    reckon: (given) => mainsForPoeW(of(given, 'watts'), of(given, 'efficiency')),
    source: published('energy balance'),
    example: { given: { watts: 208, efficiency: 0.88 }, result: 236.4, from: '208 / 0.88' },
  },
  {
    id: 'growth',
    group: GROUP,
    tells: 'A need after some years of growth.',
    inputs: [
      figure('need', 'Now', '', [40, 0, 100_000]),
      figure('percent', 'Growth in a year', '%', [10, 0, 100]),
      figure('years', 'Years', 'years', [5, 0, 30]),
    ],
    unit: '',
    digits: 1,
    formula: '{need} × (1 + {percent} / 100)^{years}',
    reckon: (given) => grownNeed(of(given, 'need'), of(given, 'percent'), of(given, 'years')),
    source: commonPractice,
    example: { given: { need: 40, percent: 10, years: 5 }, result: 64.4, from: '40 × 1.61051' },
  },
];
