import { JobLink } from '../kit/JobLink';
import { useJobPath } from '../kit/jobPath';
import { useSession } from '../session/session';

/** Says that an earlier version is looked at, and leads back. */
export function LookBackBar({ revision }: { revision: number }) {
  const id = useSession((session) => session.job.id);
  const { station, view } = useJobPath();
  return (
    <p className="flex flex-wrap items-center gap-x-3 border-strong border-b bg-bite px-3 py-1 font-semibold text-sheet">
      <span className="flex-1">
        The job as it was after step {revision}. It can be looked at and not changed; files are taken from today’s.
      </span>
      <JobLink href={`/jobs/${id}/${station}${view ? `/${view}` : ''}`} className="underline underline-offset-2">
        Back to today
      </JobLink>
    </p>
  );
}
