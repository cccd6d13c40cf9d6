import { NewKeptFile } from '@/core/wire/kept';
import { answer, MOST_BYTES, readJson } from '@/server/answer';
import { filesOf, keepFile } from '@/server/keptFiles';
import { getStore } from '@/server/store';

export const GET = (_: Request, { params }: RouteContext<'/api/jobs/[id]/kept'>) =>
  answer(async () => filesOf(await getStore(), (await params).id));

export const POST = (request: Request, { params }: RouteContext<'/api/jobs/[id]/kept'>) =>
  answer(async () =>
    keepFile(await getStore(), (await params).id, await readJson(request, NewKeptFile, MOST_BYTES.step)),
  );
