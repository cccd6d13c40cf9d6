import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Client } from 'pg';
import { z } from 'zod';
import { binFolder } from './cluster';

/** A sum for each table: of all its rows, whatever their order. */
export type Sums = z.infer<typeof Sums>;
const Sums = z.record(
  z.string().regex(/^[a-z_][a-z0-9_]{0,62}$/),
  z.object({ rows: z.number().int().min(0), sum: z.string().regex(/^([0-9a-f]{32})?$/) }),
);

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

/** The sums that were written beside a backup; null where there are none. @throws Error where they cannot be read */
function readSums(file: string): Sums | null {
  if (!existsSync(sumsFile(file))) return null;
  const broken = () =>
    new Error(`${sumsFile(file)} is broken: expected the sums that bin/backup wrote. Nothing was restored.`);
  let value: unknown;
  try {
    value = JSON.parse(readFileSync(sumsFile(file), 'utf8'));
  } catch {
    throw broken();
  }
  const read = Sums.safeParse(value);
  if (!read.success) throw broken();
  return read.data;
}

/** SQL that ends the transaction where what came in is not what the sums say. */
const comparing = (sums: Sums): string =>
  [
    ...Object.entries(sums).map(
      ([name, { rows, sum }]) =>
        `do $$ declare n bigint; s text; begin
  select count(*), coalesce(md5(string_agg(one, '' order by one)), '') into n, s from (select md5(t::text) as one from public."${name}" t) a;
  if n <> ${rows} or s <> '${sum}' then raise exception '${name} has % rows that are not the ${rows} of the backup.', n; end if;
end $$;`,
    ),
    `do $$ declare more text; begin
  select string_agg(tablename, ', ') into more from pg_tables where schemaname = 'public'
    and tablename <> all ('{${Object.keys(sums).join(',')}}');
  if more is not null then raise exception '% was not in the backup.', more; end if;
end $$;`,
  ].join('\n');

/**
 * Put a backup into an empty place and hold it against its sums, all in one transaction: all of it is in, or nothing.
 * @throws Error where the place is not empty, or what would come in is not what went out
 */
export async function restoreFrom(url: string, file: string): Promise<{ sums: Sums; compared: boolean }> {
  if (!existsSync(file)) throw new Error(`${file}: there is no such file.`);
  const wanted = readSums(file);
  await withClient(url, async (client) => {
    for (const name of await tablesOf(client)) {
      if (/^(mikro_orm_migrations)$/.test(name)) continue;
      const { rows } = await client.query(`select 1 from "${name}" limit 1`);
      if (rows.length > 0)
        throw new Error(
          `The database is not empty (${name}): a backup is restored into an empty place, so that nothing is lost.`,
        );
    }
  });
  // Only its owner reads it: it holds all that the backup does.
  const folder = mkdtempSync(join(tmpdir(), 'restore-'));
  try {
    const [before, rows, after] = ['before.sql', 'rows.sql', 'after.sql'].map((name) => join(folder, name)) as [
      string,
      string,
      string,
    ];
    run('pg_restore', url, ['--no-owner', `--file=${rows}`, file]);
    writeFileSync(before, 'drop schema public cascade; create schema public;');
    writeFileSync(after, wanted ? comparing(wanted) : '');
    const files = [before, rows, after].map((one) => `--file=${one}`);
    run('psql', url, ['--no-psqlrc', '--quiet', '--single-transaction', '--set=ON_ERROR_STOP=1', ...files]);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
  return { sums: await withClient(url, sumsOf), compared: wanted !== null };
}
