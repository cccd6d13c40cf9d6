import { refuse } from '@/core/base/text/refusal';
import { SCHEMAS } from '@/core/exchange/formats/schemas';
import { route } from '@/server/door';

export const GET = route<{ file: string }>('open', async ({ params: { file } }) => {
  const schema = Object.hasOwn(SCHEMAS, file) ? SCHEMAS[file] : undefined;
  return schema?.() ?? refuse('no-job', `There is no schema ${file}: expected ${Object.keys(SCHEMAS).join(' or ')}.`);
});
