import { atLeast, together } from '../../base/units/atLeast';
import type { Job } from '../document/job';
import { indexJob } from '../document/jobIndex';
import { ownW } from '../gear/body';
import { gearKg } from './space';
import { standOf } from './stand';
import { freeUnits } from './units';

/** Key figures of the racks of a job together. Mass in kilograms, power in watts without PoE. */
export function rackFigures(job: Job) {
  const index = indexJob(job);
  const placements = Object.values(job.placements);
  const racks = Object.values(job.racks);
  const { placementOfGear } = index;
  const placed = Object.values(job.gear).filter((gear) => standOf(index.job, gear.id));
  const loads = racks.map((rack) => rack.ratedLoadKg);
  return {
    units: racks.reduce((sum, rack) => sum + rack.units, 0),
    freeUnits: racks.reduce((sum, rack) => sum + freeUnits(rack, placements, job.gear).length, 0),
    massKg: together(racks.map((rack) => gearKg(job, rack.id))),
    ratedLoadKg: loads.some((load) => load === null) ? null : loads.reduce<number>((sum, load) => sum + (load ?? 0), 0),
    powerW: atLeast(placed.map(ownW)),
    inPile: Object.values(job.gear).filter((gear) => !placementOfGear.has(gear.id) && !index.carrierOfGear.has(gear.id))
      .length,
  };
}
