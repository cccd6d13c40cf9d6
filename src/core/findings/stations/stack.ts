import { atLeastWords } from '../../base/units/atLeast';
import { formatMass } from '../../base/units/force';
import { formatWatts } from '../../base/units/power';
import { rackFigures } from '../../job/rack/figures';
import { STATION_NAMES } from '../../job/records/stationIds';
import { partOf, type Station } from './station';

export const stack: Station = {
  id: 'stack',
  name: STATION_NAMES.stack,
  about: 'the cabinet and what stands in it',
  reads: { gear: ['id', 'kind'], placements: true, shelvings: true },
  progress: ({ job, placementOfGear, carrierOfGear }) => [
    placementOfGear.size + carrierOfGear.size,
    Object.values(job.gear).filter((gear) => gear.kind !== 'blank').length,
  ],
  figures: ({ job }) => {
    const { units, freeUnits, massKg, ratedLoadKg, powerW, inPile } = rackFigures(job);
    const mass = atLeastWords(massKg, (kg) => formatMass(kg, job.units));
    return [
      { id: 'units-free', name: 'Units free', value: partOf(freeUnits, units) },
      { id: 'in-the-pile', name: 'In the pile', value: String(inPile) },
      {
        id: 'gear-in-the-rack',
        name: 'Gear in the rack',
        value: ratedLoadKg === null ? mass : partOf(mass, formatMass(ratedLoadKg, job.units)),
      },
      { id: 'power-without-poe', name: 'Power without PoE', value: atLeastWords(powerW, formatWatts) },
    ];
  },
};
