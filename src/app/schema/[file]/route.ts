import { SCHEMAS } from '@/core/formats/schemas';
import { refuse } from '@/core/text/refusal';
import { answer } from '@/server/answer';

export const GET = (_: Request, { params }: RouteContext<'/schema/[file]'>) =>
  answer(async () => {
    const { file } = await params;
    const schema = Object.hasOwn(SCHEMAS, file) ? SCHEMAS[file] : undefined;
    return schema?.() ?? refuse('no-job', `There is no schema ${file}: expected ${Object.keys(SCHEMAS).join(' or ')}.`);
  });
