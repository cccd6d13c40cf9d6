import { recordingSource } from '../../../base/standards/recording';
import { recorderFacts, recordersOf } from '../../../trade/power/storage/recorders';
import { type Finding, notJudged, type SnagRule } from '../snag';

export const recordingsShort: SnagRule = {
  id: 'recordings-short',
  why: 'What happened three weeks ago is asked for after four.',
  source: recordingSource,
  stations: ['power'],
  reads: {
    gear: true,
    streams: true,
    runs: ['id', 'label', 'device', 'carries', 'scope'],
    placements: true,
    answers: true,
  },
  find: ({ job }) =>
    recordersOf(job).flatMap((gear): Finding[] => {
      const { state, days, daysWanted, unknown } = recorderFacts(job, gear);
      if (state === 'not judged') return [notJudged({ gearIds: [gear.id] }, gear.name, 'days of recordings', unknown)];
      if (state !== 'too little' || days === null) return [];
      return [
        {
          grade: 'will-bite',
          gearIds: [gear.id],
          what: `${gear.name} holds ${unknown.length > 0 ? 'at most ' : ''}${Math.floor(days)} days; ${daysWanted} are wanted.`,
        },
      ];
    }),
};
