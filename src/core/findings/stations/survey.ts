import { STATION_NAMES } from '../../job/records/stationIds';
import { surveyProgress } from '../../trade/survey/answers/progress';
import { openByItself } from '../../trade/survey/openPoints';
import { proposeRuns } from '../../trade/survey/proposeRuns';
import type { Station } from './station';

export const survey: Station = {
  id: 'survey',
  name: STATION_NAMES.survey,
  about: 'what is here, what is wanted',
  reads: { rooms: ['id'], answers: true, rules: true },
  progress: ({ job }) => surveyProgress(job),
  figures: ({ job }) => [
    { id: 'rooms-on-the-plan', name: 'Rooms on the plan', value: String(Object.keys(job.rooms).length) },
    { id: 'wishes', name: 'Wishes', value: String(Object.keys(job.wishes).length) },
    { id: 'runs-not-taken-over-yet', name: 'Runs not taken over yet', value: String(proposeRuns(job).missing) },
    {
      id: 'open-points',
      name: 'Open points',
      value: String(openByItself(job).length + Object.values(job.openPoints).filter((one) => !one.done).length),
    },
  ],
};
