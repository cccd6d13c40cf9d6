import { CHEMISTRIES, lifeSource, lifeYears, rideThroughMs, rideThroughSource } from '../../base/standards/batteries';
import { leakSource, mostLeakMa } from '../../base/standards/breakers';
import {
  altitudeLimit,
  altitudeSource,
  humidity,
  humiditySource,
  riseExponent,
  riseSource,
  usualMostC,
  usualMostSource,
} from '../../base/standards/cooling';
import { TYPE_10_S, typeSource } from '../../base/standards/generators';
import { driveSource, TB, TIB } from '../../base/standards/recording';
import {
  gradeSource,
  type SupplyGrade,
  supplyGrades,
  supplySource,
  switchOnApartS,
} from '../../base/standards/supplies';
import type { Entry } from './entry';
import { figureOf, table } from './plainFigure';

const GRADES = Object.keys(supplyGrades) as SupplyGrade[];

/** Figures of mains, batteries, heat and recordings that stand by themselves. */
export const MAINS_FIGURES: readonly Entry[] = [
  figureOf('leak-limit', 'Most that a device of class I may leak to earth.', [mostLeakMa, 'mA', 1], leakSource, 3.5),
  figureOf(
    'ride-through',
    'Supplies ride through so long without any voltage.',
    [rideThroughMs, 'ms', 0],
    rideThroughSource,
    20,
  ),
  figureOf('generator-type-10', 'A Type 10 generator carries its load within.', [TYPE_10_S, 's', 0], typeSource, 10),
  figureOf(
    'outlets-apart',
    'Outlets are switched on after an outage at least so far apart.',
    [switchOnApartS.least, 's', 1],
    supplySource,
    0.2,
  ),
  figureOf(
    'usual-intake',
    'Warmest intake of small gear, where its data sheet is not at hand.',
    [usualMostC, '°C', 0],
    usualMostSource,
    40,
  ),
  figureOf(
    'altitude-limit',
    'The highest intake falls by a kelvin for each, above 950 m.',
    [altitudeLimit.eachM, 'm', 0],
    altitudeSource,
    300,
  ),
  figureOf('humidity-most', 'Most relative humidity advised.', [humidity.mostPercent, '%', 0], humiditySource, 60),
  figureOf(
    'rise-exponent',
    'Exponent of watts in the rise of a shut cabinet, by the standard.',
    [riseExponent.closed, '', 3],
    riseSource,
    0.804,
  ),
  figureOf('tebibyte', 'A terabyte in tebibytes.', [TB / TIB, 'TiB', 3], driveSource, 0.909),
  table(
    'block-life',
    'Years that blocks last near 25 °C.',
    'Chemistry',
    CHEMISTRIES,
    ['years', 0],
    (of) => lifeYears[of],
    lifeSource,
    ['vrla', 3],
  ),
  table(
    'supply-grade',
    'Efficiency of a supply at half load, by its grade.',
    'Grade',
    GRADES,
    ['', 2],
    (of) => supplyGrades[of][1],
    gradeSource,
    ['gold', 0.9],
  ),
];
