import { atLeastWords } from '../../base/units/atLeast';
import { formatWatts } from '../../base/units/power';
import { inletCount } from '../../job/records/mainsSockets';
import { STATION_NAMES } from '../../job/records/stationIds';
import { cabinetHeat } from '../../trade/power/cooling/cabinetHeat';
import { circuitLoads, feedsOf, inletsPlugged } from '../../trade/power/feeds';
import { partOf, type Station } from './station';

export const power: Station = {
  id: 'power',
  name: STATION_NAMES.power,
  about: 'what feeds what, what goes dark, heat and noise',
  reads: { gear: true, placements: true, plugs: true },
  progress: ({ job }) => {
    const feeds = feedsOf(job);
    const inlets = feeds.consumers.reduce((sum, gear) => sum + inletCount(gear), 0);
    const plugged = feeds.consumers.reduce((sum, gear) => sum + inletsPlugged(feeds, gear).length, 0);
    return [plugged, inlets];
  },
  figures: (index) => {
    const { job } = index;
    const circuits = circuitLoads(job);
    const [plugged, inlets] = power.progress(index);
    return [
      { id: 'plugged', name: 'Plugged', value: partOf(plugged, inlets) },
      {
        id: 'places-within-earshot',
        name: 'Places within earshot',
        value: String(Object.keys(job.noisePlaces).length),
      },
      ...circuits.map(({ circuit, amps, limitA, full }) => ({
        id: `circuit ${circuit.id}`,
        name: circuit.name,
        value:
          amps === null
            ? 'unknown'
            : `${full.unknown > 0 ? '≥ ' : ''}${partOf(amps.toFixed(1), limitA === null ? '?' : `${limitA} A`)}`,
      })),
      ...Object.values(job.racks).map((rack) => {
        const { watts, summerC } = cabinetHeat(job, rack);
        return {
          id: `heat ${rack.id}`,
          name: `${rack.name}, heat`,
          value: `${atLeastWords(watts, formatWatts)}, ${Math.round(summerC)} °C in summer`,
        };
      }),
    ];
  },
};
