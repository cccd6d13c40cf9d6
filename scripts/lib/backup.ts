import { spawnSync } from 'node:child_process';
import { existsSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { Client } from 'pg';
import { binFolder } from './cluster';

/** A sum for each table: of all its rows, whatever their order. */
export type Sums = Record<string, { rows: number; sum: string }>;

const sumsFile = (file: string): string => `${file}.sums`;

async function withClient<T>(url: string, work: (client: Client) => Promise<T>): Promise<T> {
  const client = new Client({ connectionString: url });
  await client.connect();
  try {
    return await work(client);
  } finally {
    await client.end();
  }
}

const tablesOf = async (client: Client): Promise<string[]> =>
  (
    await client.query<{ name: string }>(
      `select tablename as name from pg_tables where schemaname = 'public' order by tablename`,
    )
  ).rows.map(({ name }) => name);

export async function sumsOf(client: Client): Promise<Sums> {
  const sums: Sums = {};
  for (const name of await tablesOf(client)) {
    const { rows } = await client.query<{ rows: string; sum: string | null }>(
      `select count(*) as rows, md5(string_agg(one, '' order by one)) as sum from (select md5(t::text) as one from "${name}" t) as all_rows`,
    );
    sums[name] = { rows: Number(rows[0]?.rows ?? 0), sum: rows[0]?.sum ?? '' };
  }
  return sums;
}

/** Run a program of PostgreSQL. The password goes by the environment: others on the machine see arguments. */
function run(program: string, url: string, args: readonly string[]): void {
  const { hostname, port, username, password, pathname } = new URL(url);
  const done = spawnSync(join(binFolder(), program), args, {
    encoding: 'utf8',
    stdio: ['ignore', 'ignore', 'pipe'],
    env: {
      ...process.env,
      PGHOST: hostname,
      PGPORT: port || '5432',
      PGUSER: decodeURIComponent(username),
      PGPASSWORD: decodeURIComponent(password),
      PGDATABASE: decodeURIComponent(pathname.slice(1)),
    },
  });
  if (done.status !== 0)
    throw new Error(`${program}: ${done.stderr.trim().split('\n').slice(-3).join(' ') || 'it failed'}`);
}

/**
 * The whole database in one file, as it stands at one moment, while others work on it; beside it a sum of each table at that
 * very moment. The file appears only when it is whole.
 */
export async function backupTo(url: string, file: string): Promise<Sums> {
  return withClient(url, async (client) => {
    await client.query('begin isolation level repeatable read read only');
    const { rows } = await client.query<{ snapshot: string }>('select pg_export_snapshot() as snapshot');
    const part = `${file}.part`;
    try {
      run('pg_dump', url, ['--format=custom', '--no-owner', `--snapshot=${rows[0]?.snapshot}`, `--file=${part}`]);
      const sums = await sumsOf(client);
      writeFileSync(sumsFile(file), `${JSON.stringify(sums, null, 2)}\n`);
      renameSync(part, file);
      return sums;
    } finally {
      rmSync(part, { force: true });
      await client.query('rollback');
    }
  });
}

/** What differs from what a backup held; empty where all is equal. */
export function differences(wanted: Sums, found: Sums): string[] {
  const names = [...new Set([...Object.keys(wanted), ...Object.keys(found)])].sort();
  return names.flatMap((name) => {
    const [a, b] = [wanted[name], found[name]];
    if (!a) return [`${name} was not in the backup.`];
    if (!b) return [`${name} is missing.`];
    return a.sum === b.sum && a.rows === b.rows
      ? []
      : [`${name} has ${b.rows} rows that are not the ${a.rows} of the backup.`];
  });
}

/**
 * Put a backup into an empty place, all of it or nothing, and hold it against its sums.
 * @throws Error where the place is not empty, or what came in is not what went out
 */
export async function restoreFrom(url: string, file: string): Promise<{ sums: Sums; compared: boolean }> {
  if (!existsSync(file)) throw new Error(`${file}: there is no such file.`);
  await withClient(url, async (client) => {
    const tables = await tablesOf(client);
    for (const name of tables) {
      if (/^(mikro_orm_migrations)$/.test(name)) continue;
      const { rows } = await client.query(`select 1 from "${name}" limit 1`);
      if (rows.length > 0)
        throw new Error(
          `The database is not empty (${name}): a backup is restored into an empty place, so that nothing is lost.`,
        );
    }
    if (tables.length > 0) await client.query('drop schema public cascade; create schema public');
  });
  run('pg_restore', url, [
    '--no-owner',
    '--exit-on-error',
    '--single-transaction',
    `--dbname=${new URL(url).pathname.slice(1)}`,
    file,
  ]);
  return withClient(url, async (client) => {
    const sums = await sumsOf(client);
    if (!existsSync(sumsFile(file))) return { sums, compared: false };
    const wrong = differences(JSON.parse(readFileSync(sumsFile(file), 'utf8')) as Sums, sums);
    if (wrong.length > 0) throw new Error(`What came in is not what the backup held: ${wrong.slice(0, 5).join(' ')}`);
    return { sums, compared: true };
  });
}
