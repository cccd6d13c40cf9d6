import { citeFor } from '../../base/standards/cite';
import { generatorCaution } from '../../base/standards/generators';
import { ruleSets } from '../../base/standards/ruleSets';
import { atLeastWords } from '../../base/units/atLeast';
import { formatLength } from '../../base/units/length';
import { formatMinutes } from '../../base/units/minutes';
import { formatWatts } from '../../base/units/power';

import { powerReport, RUN_TIME_UNKNOWN, singlePointsOf, tripNow } from '../../findings/stations/powerReport';
import type { Job } from '../../job/document/job';
import { MAINS, partName } from '../../trade/power/dependencies/parts';
import { lostWords } from '../../trade/power/dependencies/trip';
import { outletMap } from '../../trade/power/outletMap';
import type { SheetSection } from './sheetSection';

/** Single points of failure that a sheet lists. */
const MOST_POINTS = 24;
const c = (value: number): string => `${Math.round(value)} °C`;
const figure = (value: number | null, unit: string, digits = 1): string =>
  value === null || !Number.isFinite(value) ? 'not known' : `${value.toFixed(digits)} ${unit}`;

/** What the power sheet says, section by section. @param today by which batteries are judged */
export function powerSheet(job: Job, today: string): SheetSection[] {
  const report = powerReport(job, today);
  const least = (unknown: number) => (unknown > 0 ? 'at least ' : '');
  return [
    {
      title: 'Circuits',
      columns: [
        { head: 'Circuit', share: 3 },
        { head: 'At full', share: 2 },
        { head: 'Current', share: 2 },
        { head: 'Continuous limit', share: 2 },
        { head: 'Leaks', share: 2 },
        { head: 'State', share: 2 },
      ],
      rows: report.circuits.map(({ circuit, full, amps, limitA, leakMa, leakUnknown, state }) => [
        circuit.name,
        `${least(full.unknown)}${formatWatts(full.w)}`,
        amps === null ? 'not known' : `${least(full.unknown)}${figure(amps, 'A')}`,
        figure(limitA, 'A'),
        `${leakUnknown > 0 ? 'about ' : ''}${figure(leakMa, 'mA')}`,
        state,
      ]),
      notes: [
        `Continuous load: ${citeFor(ruleSets[job.rules].continuous.source, job.rules)}.`,
        ...(report.circuits.length === 0 ? ['No circuit is known.'] : []),
      ],
    },
    {
      title: 'Outlets and what is in them',
      columns: [
        { head: 'Feed', share: 3 },
        { head: 'Outlet', share: 1.2 },
        { head: 'Kind', share: 1.6 },
        { head: 'Behind it', share: 1.6 },
        { head: 'Device', share: 3.4 },
        { head: 'Cord', share: 1.4 },
      ],
      rows: outletMap(job)
        .filter(({ device }) => device !== '')
        .map(({ feed, outlet, kind, backing, device, inlet, cordMm }) => [
          feed,
          String(outlet.number),
          kind,
          backing || 'mains',
          inlet !== null && inlet > 1 ? `${device}, inlet ${inlet}` : device,
          cordMm === null ? '–' : formatLength(cordMm, job.units),
        ]),
      notes: report.unplugged.map(({ gear, inlet }) => `${gear.name}, inlet ${inlet}: no outlet yet.`),
    },
    {
      title: 'What goes dark',
      columns: [
        { head: 'Part that fails', share: 3 },
        { head: 'Gone at once', share: 4 },
        { head: 'Gone later', share: 4 },
      ],
      rows: [
        MAINS,
        ...singlePointsOf(job)
          .map(({ part }) => part)
          .filter(({ kind }) => kind !== 'mains' && kind !== 'cord' && kind !== 'run'),
      ]
        .slice(0, MOST_POINTS)
        .map((part) => {
          const { now, later } = tripNow(job, [part], today);
          const ends = later
            .filter(({ lost, what }) => lost.length > 0 || what === 'unknown')
            .map(({ lost, minutes, units }) =>
              minutes === null
                ? `${[lost.map(lostWords).join(', '), units.join(', ')].filter(Boolean).join(' on ')}: ${RUN_TIME_UNKNOWN}`
                : `${lost.map(lostWords).join(', ')} after about ${formatMinutes(minutes)}`,
            );
          return [partName(job, part), now.map(lostWords).join(', ') || 'nothing', ends.join('; ')];
        }),
      notes: ['Cords and runs, each with what hangs on it alone, are left out here.'],
    },
    {
      title: 'Battery units',
      columns: [
        { head: 'Unit', share: 3 },
        { head: 'On battery', share: 2 },
        { head: 'As new', share: 1.6 },
        { head: 'Today', share: 1.6 },
        { head: 'Blocks due', share: 2 },
      ],
      rows: report.units.map(({ gear, onBattery, minutes, aged, due }) => [
        gear.name,
        `${least(onBattery.unknown)}${formatWatts(onBattery.w)}`,
        minutes === null ? 'not known' : formatMinutes(minutes.minutes),
        aged === null ? 'not known' : formatMinutes(aged.minutes),
        due ?? 'not known',
      ]),
      notes: report.units.flatMap(({ gear, unknown }) =>
        unknown.length > 0 ? [`Not known of ${gear.name}: ${unknown.join('; ')}.`] : [],
      ),
    },
    {
      title: 'Heat',
      columns: [
        { head: 'Cabinet', share: 3 },
        { head: 'Heat', share: 2.4 },
        { head: 'Usual day', share: 1.6 },
        { head: 'Summer', share: 1.6 },
        { head: 'Limit', share: 1.6 },
        { head: 'State', share: 1.8 },
      ],
      rows: report.cabinets.map(({ rack, watts, insideC, summerC, limitC, state }) => [
        rack.name,
        atLeastWords(watts, formatWatts),
        c(insideC),
        c(summerC),
        c(limitC),
        state,
      ]),
      notes: report.cabinets.flatMap(({ rack, unknown }) =>
        unknown.length > 0 ? [`Not known of ${rack.name}: ${unknown.join('; ')}.`] : [],
      ),
    },
    {
      title: 'Cautions',
      columns: [],
      rows: [],
      notes: [
        ruleSets[job.rules].licensed.mains,
        'Batteries drive a very high current and are heavy: by the maker’s instructions, and two people.',
        'Rack, rails, door and screens are bonded to earth; by local code.',
        ...(report.generator.kind === 'none'
          ? []
          : [`${generatorCaution.words} (${citeFor(generatorCaution.source, job.rules)})`]),
      ],
    },
  ];
}
