import { Migration } from '@mikro-orm/migrations';
import type { Patch } from 'immer';
import { stepsOfPatches } from './stepsOfPatches';

const LATER = 'deferrable initially deferred';

/** Tables as they are called in the database and in a job, with what guards each of their keys until now. */
const TABLES: [row: string, table: string][] = [
  ['rack', 'racks'],
  ['gear', 'gear'],
  ['placement', 'placements'],
  ['network', 'networks'],
  ['run', 'runs'],
  ['landing', 'landings'],
  ['cord', 'cords'],
  ['floor', 'floors'],
  ['room', 'rooms'],
  ['place', 'places'],
  ['wish', 'wishes'],
  ['answer', 'answers'],
  ['open_point', 'openPoints'],
  ['cable_kind', 'cableKinds'],
  ['box', 'boxes'],
  ['cut', 'cuts'],
  ['pathway', 'pathways'],
  ['passage', 'passages'],
  ['jack', 'jacks'],
  ['tone', 'tones'],
  ['shelving', 'shelvings'],
  ['neighbour', 'neighbours'],
  ['mount', 'mounts'],
  ['allowance', 'allowances'],
  ['port_network', 'portNetworks'],
  ['uplink', 'uplinks'],
  ['termination', 'terminations'],
];
/** The column that guarded the one key of a table. */
const GUARDS: Record<string, string> = { gear: 'name_key', network: 'name_key', run: 'label_key' };
for (const row of [
  'floor',
  'room',
  'cable_kind',
  'box',
  'cut',
  'pathway',
  'passage',
  'jack',
  'shelving',
  'neighbour',
  'mount',
  'allowance',
  'port_network',
  'uplink',
  'termination',
])
  GUARDS[row] = 'unique_key';
/** Keys that had no column of their own, as the database can work them out. */
const MORE_KEYS: Record<string, string[]> = {
  placement: ['gear_id'],
  landing: ['run_id', "panel_id || ':' || port"],
  cord: ["panel_id || ':' || panel_port", "switch_id || ':' || switch_port"],
  network: ['lower(btrim(code))', 'number::text'],
};
const NOT_FIELDS = new Set(['job_id', 'name_key', 'label_key', 'unique_key', 'top_u']);

const camel = (column: string) => column.replace(/_([a-z0-9])/g, (_, letter: string) => letter.toUpperCase());

type Row = Record<string, unknown>;

/** One form for the keys of all tables; who made which step, by which schemas, and what it changed, once; versions. */
export class Migration20261127060000 extends Migration {
  override async up(): Promise<void> {
    const run = (sql: string, values: unknown[] = []) => this.execute(sql, values) as Promise<Row[]>;
    const steps = await this.stepsOfAll(run);

    await run(`alter table job add column history text not null default gen_random_uuid()::text check (history <> ''),
      add column tip text not null default ''`);
    await run('alter table job alter column history drop default');
    await run(`update job set tip = coalesce((select batch_id from command_log
      where job_id = job.id and command_log.revision = job.revision), '')`);

    await this.oneCodeANetwork(run);
    for (const [row, column] of Object.entries(GUARDS)) {
      await this.dropUniques(run, row);
      await run(`alter table ${row} rename column ${column} to key_1`);
    }
    for (const [row, keys] of Object.entries(MORE_KEYS)) {
      const first = GUARDS[row] ? 2 : 1;
      if (!GUARDS[row]) await this.dropUniques(run, row);
      for (const [at, key] of keys.entries()) {
        await run(`alter table ${row} add column key_${first + at} text check (key_${first + at} <> '')`);
        await run(`update ${row} set key_${first + at} = ${key}`);
      }
    }
    // What was written waits for its constraints: they are asked now, so that tables can be altered.
    await run('set constraints all immediate');
    for (const [row] of TABLES) {
      const count = (GUARDS[row] ? 1 : 0) + (MORE_KEYS[row]?.length ?? 0);
      for (let at = 1; at <= count; at++) {
        await run(`alter table ${row} add constraint ${row}_key_${at} unique (job_id, key_${at}) ${LATER}`);
      }
    }

    await run('alter table command_log rename to step');
    await run('alter table step rename column standing to state');
    await run(`alter table step
      add column actor_id text not null default '', add column actor_name text not null default '',
      add column seen integer, add column schema integer not null default 1,
      add column changes jsonb not null default '[]'`);
    await run('update step set seen = revision - 1');
    await run('alter table step alter column seen set not null');
    for (const [jobId, revisions] of steps) {
      for (const [revision, changes] of revisions) {
        if (changes)
          await run('update step set changes = ?::jsonb where job_id = ? and revision = ?', [
            JSON.stringify(changes),
            jobId,
            revision,
          ]);
        else await run("update step set state = 'dropped' where job_id = ? and revision = ?", [jobId, revision]);
      }
    }
    await run('alter table step drop column commands, drop column patches, drop column inverse');
    await run('drop index command_log_standing');
    await run("create index step_state on step (job_id, actor_id, state, revision) where kind = 'do'");

    await run(`create table snapshot (
      job_id text not null references job (id) on delete cascade,
      revision integer not null check (revision >= 0),
      schema integer not null,
      body text not null,
      primary key (job_id, revision)
    )`);
    await run(`create table version (
      job_id text not null references job (id) on delete cascade,
      id text not null check (id <> ''),
      revision integer not null check (revision >= 0),
      name text not null check (name <> ''),
      note text not null,
      actor_id text not null,
      actor_name text not null,
      at timestamptz not null default now(),
      primary key (job_id, id)
    )`);
  }

  private async stepsOfAll(run: (sql: string, values?: unknown[]) => Promise<Row[]>) {
    const all = new Map<string, ReturnType<typeof stepsOfPatches>>();
    for (const job of await run('select id, name, units from job')) {
      const now: Record<string, Record<string, Row> | string> = { name: String(job.name), units: String(job.units) };
      for (const [row, table] of TABLES) {
        const records = await run(`select * from ${row} where job_id = ?`, [job.id]);
        now[table] = Object.fromEntries(
          records.map((record) => [
            String(record.id),
            Object.fromEntries(
              Object.entries(record).flatMap(([column, value]) =>
                NOT_FIELDS.has(column) ? [] : [[camel(column), value]],
              ),
            ),
          ]),
        );
      }
      const log = await run('select revision, inverse from command_log where job_id = ? order by revision desc', [
        job.id,
      ]);
      all.set(
        String(job.id),
        stepsOfPatches(
          now,
          log.map((step) => ({ revision: Number(step.revision), inverse: step.inverse as Patch[] })),
        ),
      );
    }
    return all;
  }

  /** Nothing kept two networks from one code or one number: the later one gets another code, and no number. */
  private async oneCodeANetwork(run: (sql: string, values?: unknown[]) => Promise<Row[]>) {
    const rows = await run('select job_id, id, name, code, number from network order by job_id, id');
    const used = new Map<unknown, Set<string>>();
    for (const { job_id: jobId, id, code, number } of rows) {
      const taken = used.get(jobId) ?? new Set();
      used.set(jobId, taken);
      const key = (text: unknown) => String(text).trim().toLocaleLowerCase('en');
      if (taken.has(key(code))) {
        let next = 2;
        while (taken.has(`n${next.toString(36)}`)) next += 1;
        const free = `N${next.toString(36).toUpperCase()}`;
        await run('update network set code = ? where job_id = ? and id = ?', [free, jobId, id]);
        taken.add(key(free));
      } else taken.add(key(code));
      if (number === null) continue;
      if (taken.has(`#${number}`))
        await run('update network set number = null where job_id = ? and id = ?', [jobId, id]);
      taken.add(`#${number}`);
    }
  }

  private async dropUniques(run: (sql: string, values?: unknown[]) => Promise<Row[]>, row: string) {
    const names = await run("select conname from pg_constraint where conrelid = ?::regclass and contype = 'u'", [row]);
    for (const { conname } of names) await run(`alter table ${row} drop constraint "${conname}"`);
  }

  override async down(): Promise<void> {
    const run = (sql: string, values: unknown[] = []) => this.execute(sql, values) as Promise<Row[]>;
    await run('drop table version');
    await run('drop table snapshot');
    await run('drop index step_state');
    // What changed is recorded in another form: the steps stay as words, and can no longer be undone.
    await run(`alter table step add column commands jsonb not null default '[]',
      add column patches jsonb not null default '[]', add column inverse jsonb not null default '[]'`);
    await run('alter table step drop column changes, drop column schema, drop column seen');
    await run('alter table step drop column actor_id, drop column actor_name');
    await run("update step set state = 'dropped' where kind = 'do'");
    await run('alter table step rename column state to standing');
    await run('alter table step rename to command_log');
    await run("create index command_log_standing on command_log (job_id, standing, revision) where kind = 'do'");
    for (const [row] of TABLES) await this.dropUniques(run, row);
    for (const [row, keys] of Object.entries(MORE_KEYS)) {
      const first = GUARDS[row] ? 2 : 1;
      for (const at of keys.keys()) await run(`alter table ${row} drop column key_${first + at}`);
    }
    for (const [row, column] of Object.entries(GUARDS)) {
      await run(`alter table ${row} rename column key_1 to ${column}`);
      const name = { gear: 'gear_one_name', network: 'network_one_name', run: 'run_one_label' }[row];
      await run(`alter table ${row} add ${name ? `constraint ${name} ` : ''}unique (job_id, ${column}) ${LATER}`);
    }
    await run(`alter table placement add constraint placement_one_place unique (job_id, gear_id) ${LATER}`);
    await run(`alter table landing add constraint landing_one_port unique (job_id, run_id) ${LATER}`);
    await run(`alter table landing add constraint landing_one_run unique (job_id, panel_id, port) ${LATER}`);
    await run(`alter table cord add constraint cord_one_at_panel_port unique (job_id, panel_id, panel_port) ${LATER}`);
    await run(
      `alter table cord add constraint cord_one_at_switch_port unique (job_id, switch_id, switch_port) ${LATER}`,
    );
    await run('alter table job drop column history, drop column tip');
  }
}
