import { stdin, stdout } from 'node:process';
import { createInterface } from 'node:readline';
import { Writable } from 'node:stream';
import { parseArgs } from 'node:util';
import { FirmName, Join } from '../src/core/trade/people/people';
import { makeFirst } from '../src/server/accounts';
import { migrate, openStore } from '../src/store/openStore';
import { openDatabases } from './lib/database';
import { faultWords, givenDatabase } from './lib/faultWords';

const HELP = `bin/account --firm "NAME" --login NAME --name "NAME"

Make the first account and its firm; the password is asked for, or read from standard input. Jobs that are in the database
already become the firm's. Others are invited by a link, on the page of the firm.`;

const Given = FirmName.transform(({ name }) => name);
const Account = Join.omit({ token: true });

/** A line that is not shown while it is typed. */
async function askPassword(): Promise<string> {
  const hidden = new Writable({ write: (_, __, done) => done() });
  if (stdin.isTTY) stdout.write('Password (at least 12 characters; not shown): ');
  const lines = createInterface({ input: stdin, output: hidden, terminal: stdin.isTTY });
  try {
    for await (const line of lines) return line;
    return '';
  } finally {
    lines.close();
    if (stdin.isTTY) stdout.write('\n');
  }
}

async function main() {
  const { values } = parseArgs({
    options: {
      firm: { type: 'string' },
      login: { type: 'string' },
      name: { type: 'string' },
      help: { type: 'boolean' },
    },
  });
  if (values.help || !values.firm || !values.login || !values.name) {
    stdout.write(`${HELP}\n`);
    process.exitCode = values.help ? 0 : 2;
    return;
  }
  const firm = Given.parse({ name: values.firm });
  const account = Account.parse({ login: values.login, name: values.name, password: await askPassword() });
  const databases = await openDatabases('serve');
  try {
    const store = await openStore(givenDatabase() ?? (await databases.ensure('good_shelf')), {});
    await migrate(store);
    const { adopted } = await makeFirst(store, { firm, ...account });
    await store.close(true);
    stdout.write(
      `${account.name} owns ${firm}${adopted > 0 ? `, with ${adopted} jobs that were here` : ''}. Now: bin/serve\n`,
    );
  } finally {
    databases.stop();
  }
}

try {
  await main();
} catch (fault) {
  process.stderr.write(`${faultWords(fault)}\n`);
  process.exitCode = 2;
}
