import { NewVersion } from '@/core/wire/wire';
import { answer, readJson } from '@/server/answer';
import { nameVersion, versionsOf } from '@/server/pastJobs';
import { getStore } from '@/server/store';

export const GET = (_: Request, { params }: RouteContext<'/api/jobs/[id]/versions'>) =>
  answer(async () => versionsOf(await getStore(), (await params).id));

export const POST = (request: Request, { params }: RouteContext<'/api/jobs/[id]/versions'>) =>
  answer(async () => {
    const { id } = await params;
    await nameVersion(await getStore(), id, await readJson(request, NewVersion));
    return versionsOf(await getStore(), id);
  });
