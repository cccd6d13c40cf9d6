import { STATION_NAMES } from '@/core/job/records/stationIds';
import { useMeetings, usePresence } from '../session/meeting';
import { useSession } from '../session/session';

/** Who else is at this job now, and where in it. */
export function OthersHere({ place }: { place: string }) {
  const jobId = useSession((session) => session.job.id);
  usePresence(jobId, { place, code: '', end: '' });
  const others = useMeetings((state) => (state.jobId === jobId ? state.others : NONE));
  const list = Object.values(others);
  if (list.length === 0) return null;
  const words = list.map((one) => `${one.name || 'Somebody'}, ${nameOf(one.place)}`);
  return (
    <span
      title={words.join('\n')}
      data-testid="others"
      className="narrow max-w-44 truncate rounded-sm bg-well px-1.5 py-0.5 text-xs max-lg:hidden"
    >
      {words[0]}
      {list.length > 1 && ` and ${list.length - 1} more`}
    </span>
  );
}

const NONE: ReturnType<typeof useMeetings.getState>['others'] = {};
const nameOf = (place: string): string => (STATION_NAMES as Record<string, string>)[place] ?? place;
