import { noiseTargets } from '../../../base/standards/noise';
import { placeNoise } from '../../../trade/power/noise/placeNoise';
import { type Finding, notJudged, type SnagRule } from '../snag';

export const tooLoud: SnagRule = {
  id: 'too-loud',
  why: 'Fans that hum are turned off, covered up or complained about, mostly by the one who pays.',
  source: noiseTargets.bedroom.source,
  stations: ['power'],
  reads: { gear: true, racks: true, placements: true, shelvings: true, noisePlaces: true },
  find: ({ job }) =>
    Object.values(job.noisePlaces).flatMap((place): Finding[] => {
      const { db, dayDb, nightDb, state, shares, unknown } = placeNoise(job, place);
      if (state === 'not judged')
        return [notJudged({ rowIds: [place.id], rackIds: [place.rackId] }, place.name, 'noise', unknown)];
      if (state !== 'too loud') return [];
      const [loudest] = shares;
      return [
        {
          grade: 'will-bite',
          rowIds: [place.id],
          rackIds: [place.rackId],
          source: noiseTargets[place.use].source,
          what: `${Math.round(db)} dB(A) are heard at ${place.name}; ${Math.min(dayDb, nightDb)} are the target${nightDb < dayDb ? ' at night' : ''}. Most of it is ${loudest?.gear.name}.`,
        },
      ];
    }),
};
