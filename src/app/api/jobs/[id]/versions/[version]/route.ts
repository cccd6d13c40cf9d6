import { answer } from '@/server/answer';
import { forgetVersion, versionsOf } from '@/server/pastJobs';
import { getStore } from '@/server/store';

/** Take the name off a revision; the revision itself stays. */
export const DELETE = (_: Request, { params }: RouteContext<'/api/jobs/[id]/versions/[version]'>) =>
  answer(async () => {
    const { id, version } = await params;
    await forgetVersion(await getStore(), id, version);
    return versionsOf(await getStore(), id);
  });
