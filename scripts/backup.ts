import { statSync } from 'node:fs';
import { resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { backupTo } from './lib/backup';
import { openDatabases } from './lib/database';
import { faultWords, givenDatabase } from './lib/faultWords';

/** `bin/backup [--served] FILE`: the whole database of the demo, of what is served, or of DATABASE_URL, while it runs. */
async function main(): Promise<void> {
  const { values, positionals } = parseArgs({ options: { served: { type: 'boolean' } }, allowPositionals: true });
  const [file, ...more] = positionals;
  if (file === undefined || more.length > 0) throw new Error('Expected one file: bin/backup [--served] FILE.');
  const given = givenDatabase();
  const databases = await openDatabases(values.served ? 'serve' : 'demo');
  try {
    const sums = await backupTo(given ?? (await databases.ensure('good_shelf')), resolve(file));
    const kb = Math.ceil(statSync(file).size / 1024);
    console.log(`${file}: ${sums.job?.rows ?? 0} jobs, ${kb} KB; the sums of its tables are in ${file}.sums.`);
  } finally {
    databases.stop();
  }
}

main().catch((fault: Error) => {
  console.error(faultWords(fault));
  process.exitCode = 1;
});
