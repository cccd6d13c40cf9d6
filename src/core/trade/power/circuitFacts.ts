import { residualShare } from '../../base/standards/breakers';
import { dropAdvice } from '../../base/standards/mainsWire';
import { plannedInrush } from '../../base/standards/supplies';
import type { Job } from '../../job/document/job';
import { feedsOthers } from '../../job/gear/body';
import type { Gear } from '../../job/records/gear';
import { outletsOf } from '../../job/records/mainsSockets';
import { figureOf } from '../survey/answers/answers';
import { magneticAmps } from './breakers';
import { type CircuitLoad, circuitLoads, type Feeds, feedsOf, plugLoad } from './feeds';
import { amperes } from './mainsCurrent';
import { voltageDrop } from './voltageDrop';

/** Standing leakage of a supply where it is not known, the middle of what is usual, mA. Common practice, no source. */
const USUAL_LEAK_MA = 1;

/** What is switched on at one moment after the mains return, and the peak that makes. */
export type Rush = { atS: number; gear: Gear[]; amps: number };

export type CircuitFacts = CircuitLoad & {
  drop: { volts: number; percent: number; advice: number } | null;
  /** What of it nobody entered: without it there is no drop to be judged. */
  dropUnknown: string[];
  /** Steps of switching on, the first at 0 s. */
  rush: Rush[];
  /** Peak of the largest step against what the breaker surely lets pass; null: its curve is not known. */
  rushA: number;
  rushLimitA: number | null;
  /** Supplies whose inrush, or whose leakage, was not entered: a usual figure is counted for them. */
  inrushUnknown: number;
  leakMa: number;
  leakLimitMa: number | null;
  leakUnknown: number;
  /** In a year, all of it running: energy and its price; null: no price was said. */
  yearKwh: number;
  yearCost: number | null;
};

/** Devices at the ends of the plugs of a circuit, with the delay that outlets on their way put before them. */
function endsOf(feeds: Feeds, circuitId: string): { gear: Gear; afterS: number }[] {
  const ends: { gear: Gear; afterS: number }[] = [];
  const visit = (sourceId: string, afterS: number, seen: ReadonlySet<string>) => {
    for (const plug of feeds.plugsInto.get(sourceId) ?? []) {
      const gear = feeds.job.gear[plug.gearId];
      if (!gear || seen.has(gear.id)) continue;
      const feed = plug.feedId === null ? null : feeds.job.gear[plug.feedId];
      const after = afterS + (feed ? (outletsOf(feed)[plug.outlet - 1]?.onAfterS ?? 0) : 0);
      ends.push({ gear, afterS: after });
      // Behind a battery nothing was switched off: only the unit itself comes on.
      if (feedsOthers(gear) && gear.kind !== 'ups') visit(gear.id, after, new Set([...seen, gear.id]));
    }
  };
  for (const wall of Object.values(feeds.job.wallOutlets))
    if (wall.circuitId === circuitId) visit(wall.id, 0, new Set());
  return ends;
}

/** Load, drop, inrush, leakage and cost of each circuit. */
export function circuitFacts(job: Job): CircuitFacts[] {
  const feeds = feedsOf(job);
  const price = figureOf(job, 'energy-price');
  return circuitLoads(job).map((load): CircuitFacts => {
    const { circuit, volts, amps } = load;
    const ends = endsOf(feeds, circuit.id);
    const peakOf = (gear: Gear): number => {
      if (gear.inrushA !== null) return gear.inrushA;
      if (volts === null || (feedsOthers(gear) && gear.kind !== 'ups')) return 0;
      return plannedInrush * amperes(feeds.loadOf(gear, 'full').w, volts, 1);
    };
    const steps = [...new Set(ends.map(({ afterS }) => afterS))].sort((a, b) => a - b);
    const rush = steps.map((atS) => {
      const gear = ends.filter((one) => one.afterS === atS).map((one) => one.gear);
      return { atS, gear, amps: gear.reduce((sum, one) => sum + peakOf(one), 0) };
    });
    const supplies = ends.filter(({ gear }) => !feedsOthers(gear) || gear.kind === 'ups');
    const leakMa = supplies.reduce((sum, { gear }) => sum + (gear.leakMa ?? USUAL_LEAK_MA), 0);
    const watts = Object.values(job.wallOutlets)
      .filter(({ circuitId }) => circuitId === circuit.id)
      .flatMap(({ id }) => feeds.plugsInto.get(id) ?? [])
      .reduce((sum, plug) => sum + plugLoad(feeds, plug, 'idle').w, 0);
    const yearKwh = (watts * 24 * 365) / 1000;
    return {
      ...load,
      drop:
        circuit.wire !== null && circuit.wireMm !== null && amps !== null && volts !== null
          ? {
              ...voltageDrop(circuit.wire, circuit.wireMm, amps, volts),
              advice: job.rules === 'north-america' ? dropAdvice.northAmerica : dropAdvice.elsewhere,
            }
          : null,
      dropUnknown: [
        ...(circuit.wire === null ? ['its conductor size'] : []),
        ...(circuit.wireMm === null ? ['the length of its wire'] : []),
        ...(volts === null ? ['the voltage of the mains'] : []),
      ],
      rush,
      rushA: Math.max(0, ...rush.map((one) => one.amps)),
      rushLimitA:
        circuit.curve === null || circuit.breakerA === null ? null : magneticAmps(circuit.breakerA, circuit.curve).from,
      inrushUnknown: supplies.filter(({ gear }) => gear.inrushA === null).length,
      leakMa,
      leakLimitMa: circuit.residualMa === null || circuit.residualMa === 0 ? null : circuit.residualMa * residualShare,
      leakUnknown: supplies.filter(({ gear }) => gear.leakMa === null).length,
      yearKwh,
      yearCost: price > 0 ? yearKwh * price : null,
    };
  });
}
