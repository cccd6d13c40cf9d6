import { resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { restoreFrom } from './lib/backup';
import { openDatabases } from './lib/database';
import { faultWords, givenDatabase } from './lib/faultWords';

/** `bin/restore [--served] FILE [--database NAME]`: into an empty database of the demo's server, of what is served, or of DATABASE_URL's. */
async function main(): Promise<void> {
  const { values, positionals } = parseArgs({
    allowPositionals: true,
    options: { database: { type: 'string' }, served: { type: 'boolean' } },
  });
  const [file, ...more] = positionals;
  if (file === undefined || more.length > 0)
    throw new Error('Expected one file: bin/restore [--served] FILE [--database NAME].');
  if (values.database !== undefined && !/^[a-z][a-z0-9_]{0,40}$/.test(values.database))
    throw new Error(`--database: expected small letters, digits and _, found “${values.database}”.`);
  const given = givenDatabase();
  const databases = await openDatabases(values.served ? 'serve' : 'demo');
  try {
    const url =
      values.database === undefined && given ? given : await databases.ensure(values.database ?? 'good_shelf');
    const { sums, compared } = await restoreFrom(url, resolve(file));
    const how = compared ? 'every table is as it was' : 'it has no sums beside it, and was not compared';
    console.log(`${file}: ${sums.job?.rows ?? 0} jobs are in; ${how}.`);
  } finally {
    databases.stop();
  }
}

main().catch((fault: Error) => {
  console.error(faultWords(fault));
  process.exitCode = 1;
});
