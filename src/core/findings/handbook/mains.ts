import {
  CHEMISTRIES,
  type Chemistry,
  coldSource,
  halvingSource,
  peukertExponent,
  peukertSource,
  ventSource,
} from '../../base/standards/batteries';
import { breakerSource, CURVES, type Curve } from '../../base/standards/breakers';
import { crankSource } from '../../base/standards/generators';
import { MAINS_WIRES, type MainsWire, mainsWires } from '../../base/standards/mainsWire';
import { commonPractice, published } from '../../base/standards/source';
import {
  coldDivisor,
  lifeAt,
  peukertMinutes,
  plainMinutes,
  rechargeHours,
  shedFactor,
  tableMinutes,
  unitHeatW,
  ventAirM3h,
} from '../../trade/power/batteryRuntime';
import { magneticAmps, thermalAmps } from '../../trade/power/breakers';
import { bridgeMinutes, generatorGapS, generatorKva } from '../../trade/power/generatorGap';
import { btuPerHour, voltAmperes } from '../../trade/power/mainsCurrent';
import { voltageDrop } from '../../trade/power/voltageDrop';
import { choice, type Entry, figure, of } from './entry';
import { batteryFormulas } from './mainsInputs';

const GROUP = 'Mains and batteries';

export const MAINS_ENTRIES: readonly Entry[] = [
  {
    id: 'apparent-power',
    group: GROUP,
    tells: 'Volt-amperes of a load.',
    inputs: [figure('watts', 'Load', 'W', [400, 0, 20_000]), figure('factor', 'Power factor', '', [0.9, 0.3, 1])],
    unit: 'VA',
    digits: 0,
    formula: '{watts} / {factor}',
    reckon: (given) => voltAmperes(of(given, 'watts'), of(given, 'factor')),
    source: published('physics: W = VA × power factor'),
    example: { given: { watts: 400, factor: 0.9 }, result: 444, from: '400 / 0.9' },
  },
  {
    id: 'heat-btu',
    group: GROUP,
    tells: 'Heat of equipment in British thermal units.',
    inputs: [figure('watts', 'Load', 'W', [500, 0, 50_000])],
    unit: 'BTU/h',
    digits: 0,
    formula: '3.412 × {watts}',
    reckon: (given) => btuPerHour(of(given, 'watts')),
    source: published('NIST SP 811: 1 W = 3.412 BTU/h'),
    example: { given: { watts: 500 }, result: 1706, from: '3.412 × 500' },
  },
  {
    id: 'voltage-drop',
    group: GROUP,
    tells: 'Voltage lost on the way to an outlet, of the mains.',
    inputs: [
      choice('wire', 'Wire', MAINS_WIRES),
      figure('metres', 'Length, one way', 'm', [20, 0, 500]),
      figure('amps', 'Current', 'A', [3, 0, 125]),
      figure('volts', 'Mains', 'V', [230, 100, 480]),
    ],
    unit: '%',
    digits: 2,
    formula: 'mV/A/m of {wire} × {amps} × {metres} / 1000, of {volts}',
    reckon: (given) =>
      voltageDrop(given.wire as MainsWire, of(given, 'metres') * 1000, of(given, 'amps'), of(given, 'volts')).percent,
    source: mainsWires['2.5'].source,
    sourceFor: (given) => mainsWires[given.wire as MainsWire].source,
    example: {
      given: { wire: '2.5', metres: 20, amps: 3, volts: 230 },
      result: 0.47,
      from: 'BS 7671 Appendix 4: 18 mV/A/m',
    },
  },
  {
    id: 'breaker-magnetic',
    group: GROUP,
    tells: 'Amperes between which the magnetic release of a breaker acts.',
    inputs: [figure('amps', 'Breaker', 'A', [16, 1, 125]), choice('curve', 'Curve', CURVES)],
    unit: 'A',
    digits: 0,
    formula: 'B 3 to 5, C 5 to 10, D 10 to 20 times {amps}: {curve}',
    reckon: (given) => {
      const { from, to } = magneticAmps(of(given, 'amps'), given.curve as Curve);
      return `${from} to ${to}`;
    },
    source: breakerSource,
    example: { given: { amps: 16, curve: 'C' }, result: '80 to 160', from: 'IEC 60898-1' },
  },
  {
    id: 'breaker-thermal',
    group: GROUP,
    tells: 'Amperes that a breaker surely breaks within an hour.',
    inputs: [figure('amps', 'Breaker', 'A', [16, 1, 63])],
    unit: 'A',
    digits: 1,
    formula: '1.45 × {amps}',
    reckon: (given) => thermalAmps(of(given, 'amps')).acts,
    source: breakerSource,
    example: { given: { amps: 16 }, result: 23.2, from: 'IEC 60898-1: 1.45 × 16' },
  },
  {
    id: 'battery-plain',
    group: GROUP,
    tells: 'Battery minutes by energy alone: too many at high loads.',
    inputs: batteryFormulas.slice(0, 4),
    unit: 'min',
    digits: 1,
    formula: '60 × {volts} × {hours} × {efficiency} / {watts}',
    reckon: (given) =>
      plainMinutes(of(given, 'volts'), of(given, 'hours'), of(given, 'efficiency'), of(given, 'watts')),
    source: published('physics: energy of a battery'),
    example: {
      given: { volts: 24, hours: 9, efficiency: 0.85, watts: 200 },
      result: 55.1,
      from: '60 × 24 × 9 × 0.85 / 200',
    },
  },
  {
    id: 'battery-peukert',
    group: GROUP,
    tells: 'Battery minutes at a load, by its exponent.',
    inputs: batteryFormulas,
    unit: 'min',
    digits: 1,
    formula: '60 × 20 × ({hours} / (I × 20))^{exponent}, I = {watts} / {efficiency} / {volts}',
    reckon: (given) =>
      peukertMinutes(
        of(given, 'volts'),
        of(given, 'hours'),
        of(given, 'efficiency'),
        of(given, 'watts'),
        of(given, 'exponent'),
      ),
    source: peukertSource,
    example: {
      given: { volts: 24, hours: 9, efficiency: 0.85, watts: 200, exponent: 1.2 },
      result: 29.7,
      from: 'Peukert 1897: 20 × (9 / (9.80 × 20))^1.2 h',
    },
  },
  {
    id: 'battery-table',
    group: GROUP,
    tells: 'Minutes between two rows of a maker’s table.',
    inputs: [
      figure('lowW', 'Lower row', 'W', [200, 1, 50_000]),
      figure('lowMin', 'lasts', 'min', [20, 0.1, 10_000]),
      figure('highW', 'Upper row', 'W', [400, 1, 50_000]),
      figure('highMin', 'lasts', 'min', [8, 0.1, 10_000]),
      figure('watts', 'Load', 'W', [300, 1, 50_000]),
    ],
    unit: 'min',
    digits: 1,
    formula:
      'a line in log t against log W from {lowW}, {lowMin} to {highW}, {highMin}, at {watts}; never beyond its ends',
    reckon: (given) => {
      const read = tableMinutes(
        [
          { loadW: of(given, 'lowW'), minutes: of(given, 'lowMin') },
          { loadW: of(given, 'highW'), minutes: of(given, 'highMin') },
        ],
        of(given, 'watts'),
      );
      return read?.bound === 'exact' ? read.minutes : `${read?.bound} ${read?.minutes}`;
    },
    source: commonPractice,
    example: {
      given: { lowW: 200, lowMin: 20, highW: 400, highMin: 8, watts: 300 },
      result: 11.7,
      from: '20 × (8 / 20)^(log 1.5 / log 2)',
    },
  },
  {
    id: 'battery-shed',
    group: GROUP,
    tells: 'How many times longer a battery lasts at a smaller load.',
    inputs: [
      figure('from', 'Load before', 'W', [100, 1, 50_000]),
      figure('to', 'Load after', 'W', [50, 1, 50_000]),
      figure('exponent', 'Exponent', '', [1.2, 1, 1.5]),
    ],
    unit: 'times',
    digits: 2,
    formula: '({from} / {to})^{exponent}',
    reckon: (given) => shedFactor(of(given, 'from'), of(given, 'to'), of(given, 'exponent')),
    source: peukertSource,
    example: { given: { from: 100, to: 50, exponent: 1.2 }, result: 2.3, from: '2^1.2' },
  },
  {
    id: 'battery-exponent',
    group: GROUP,
    tells: 'Exponent that is planned with for a chemistry.',
    inputs: [choice('chemistry', 'Chemistry', CHEMISTRIES)],
    unit: '',
    digits: 2,
    formula: 'sealed lead-acid 1.2, vented 1.3, lithium 1.05: {chemistry}',
    reckon: (given) => peukertExponent[given.chemistry as Chemistry],
    source: commonPractice,
    example: { given: { chemistry: 'vrla' }, result: 1.2, from: 'the upper half of 1.1 to 1.25' },
  },
  {
    id: 'battery-cold',
    group: GROUP,
    tells: 'What the capacity of a battery is divided by in the cold.',
    inputs: [choice('chemistry', 'Chemistry', CHEMISTRIES), figure('celsius', 'Blocks', '°C', [10, -20, 50])],
    unit: '',
    digits: 2,
    formula: 'lead-acid 1.30 at 4.4, 1.19 at 10, 1.11 at 15.6, 1 from 25 °C: {chemistry} at {celsius}',
    reckon: (given) => coldDivisor(given.chemistry as Chemistry, of(given, 'celsius')),
    source: coldSource,
    sourceFor: ({ chemistry }) => (chemistry === 'lithium' ? commonPractice : coldSource),
    example: { given: { chemistry: 'vrla', celsius: 10 }, result: 1.19, from: 'IEEE 485, from memory' },
  },
  {
    id: 'battery-life',
    group: GROUP,
    tells: 'Years that blocks last where they are so warm.',
    inputs: [choice('chemistry', 'Chemistry', CHEMISTRIES), figure('celsius', 'Blocks', '°C', [33.3, -20, 60])],
    unit: 'years',
    digits: 1,
    formula: 'sealed 3, vented 8, lithium 8; of lead-acid half for each 8.3 K above 25: {chemistry} at {celsius}',
    reckon: (given) => lifeAt(given.chemistry as Chemistry, of(given, 'celsius')),
    source: halvingSource,
    example: { given: { chemistry: 'vrla', celsius: 33.3 }, result: 1.5, from: 'IEEE 1188: 3 / 2' },
  },
  {
    id: 'battery-recharge',
    group: GROUP,
    tells: 'Hours until what was taken is back.',
    inputs: [figure('hours', 'Taken', 'Ah', [9, 0, 1000]), figure('amps', 'Charged with', 'A', [1.2, 0.01, 200])],
    unit: 'h',
    digits: 1,
    formula: '1.2 × {hours} / {amps}',
    reckon: (given) => rechargeHours(of(given, 'hours'), of(given, 'amps')),
    source: commonPractice,
    example: { given: { hours: 9, amps: 1.2 }, result: 9, from: '1.2 × 9 / 1.2' },
  },
  {
    id: 'battery-vent',
    group: GROUP,
    tells: 'Fresh air that charging lead-acid blocks ask for.',
    inputs: [
      figure('cells', 'Cells', '', [12, 1, 600]),
      figure('hours', 'Each', 'Ah', [9, 0.1, 1000]),
      choice('chemistry', 'Chemistry', CHEMISTRIES),
    ],
    unit: 'm³/h',
    digits: 4,
    formula: '0.05 × {cells} × mA/Ah of {chemistry} × {hours} / 1000',
    reckon: (given) => ventAirM3h(of(given, 'cells'), of(given, 'hours'), given.chemistry as Chemistry),
    source: ventSource,
    example: {
      given: { cells: 12, hours: 9, chemistry: 'vrla' },
      result: 0.0432,
      from: 'IEC 62485-2, from memory: 0.05 × 12 × 8 × 9 / 1000',
    },
  },
  {
    id: 'ups-heat',
    group: GROUP,
    tells: 'Heat that a battery unit gives off.',
    inputs: [figure('watts', 'Load', 'W', [300, 0, 50_000]), figure('efficiency', 'Efficiency', '', [0.9, 0.3, 1])],
    unit: 'W',
    digits: 1,
    formula: '{watts} × (1 / {efficiency} − 1)',
    reckon: (given) => unitHeatW(of(given, 'watts'), of(given, 'efficiency')),
    source: published('energy balance'),
    example: { given: { watts: 300, efficiency: 0.9 }, result: 33.3, from: '300 / 0.9 − 300' },
  },
  {
    id: 'generator-gap',
    group: GROUP,
    tells: 'Battery minutes that bridge to a generator, margin counted.',
    inputs: [
      figure('delay', 'First tried after', 's', [10, 0, 7200]),
      figure('attempts', 'Attempts', '', [3, 1, 10]),
      figure('warm', 'Warms up', 's', [15, 0, 1800]),
      figure('transfer', 'Transfers', 's', [5, 0, 600]),
    ],
    unit: 'min',
    digits: 1,
    formula: '2 × ({delay} + 15 × {attempts} + 15 × ({attempts} − 1) + {warm} + {transfer}) / 60',
    reckon: (given) =>
      bridgeMinutes(
        generatorGapS({
          delayS: of(given, 'delay'),
          attempts: of(given, 'attempts'),
          warmS: of(given, 'warm'),
          transferS: of(given, 'transfer'),
        }),
      ),
    source: crankSource,
    example: { given: { delay: 10, attempts: 3, warm: 15, transfer: 5 }, result: 3.5, from: '2 × 105 / 60' },
  },
  {
    id: 'generator-size',
    group: GROUP,
    tells: 'kVA of a generator behind battery units.',
    inputs: [
      figure('kva', 'Battery units', 'kVA', [2, 0, 100]),
      choice('input', 'Their input', ['corrected', 'not corrected']),
    ],
    unit: 'kVA',
    digits: 1,
    formula: '{kva} × (1.5 corrected, 3 not; and 0.25 for recharge): {input}',
    reckon: (given) => generatorKva(of(given, 'kva'), given.input === 'corrected'),
    source: commonPractice,
    example: { given: { kva: 2, input: 'corrected' }, result: 3.5, from: '2 × 1.75' },
  },
];
