import { SCHEMAS } from '@/core/formats/schemas';
import { refuse } from '@/core/text/refusal';
import { route } from '@/server/door';

export const GET = route<{ file: string }>('open', async ({ params: { file } }) => {
  const schema = Object.hasOwn(SCHEMAS, file) ? SCHEMAS[file] : undefined;
  return schema?.() ?? refuse('no-job', `There is no schema ${file}: expected ${Object.keys(SCHEMAS).join(' or ')}.`);
});
