import type { Job } from '../job/job';
import { freeUnits } from './units';

/** Key figures of the racks of a job together. Mass in kilograms, power in watts without PoE. */
export function rackFigures(job: Job) {
  const placements = Object.values(job.placements);
  const racks = Object.values(job.racks);
  const placed = placements.flatMap(({ gearId }) => job.gear[gearId] ?? []);
  const loads = racks.map((rack) => rack.ratedLoadKg);
  return {
    units: racks.reduce((sum, rack) => sum + rack.units, 0),
    freeUnits: racks.reduce((sum, rack) => sum + freeUnits(rack, placements, job.gear).length, 0),
    massKg: placed.reduce((sum, gear) => sum + gear.massKg, 0),
    ratedLoadKg: loads.some((load) => load === null) ? null : loads.reduce<number>((sum, load) => sum + (load ?? 0), 0),
    powerW: placed.reduce((sum, gear) => sum + gear.powerW, 0),
    inPile: Object.keys(job.gear).length - placed.length,
  };
}
