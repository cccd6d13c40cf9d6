import { Migration } from '@mikro-orm/migrations';

const TEXT_KEY = `job_id text not null references job (id) on delete cascade, id text not null check (id <> ''), primary key (job_id, id)`;
const LATER = 'deferrable initially deferred';
const key = (table: string) =>
  `key_1 text not null check (key_1 <> ''), constraint ${table}_key_1 unique (job_id, key_1) ${LATER}`;
const to = (field: string, table: string) => `foreign key (job_id, ${field}) references ${table} (job_id, id) ${LATER}`;

const RESULT = [
  'add column "end" text not null default \'\'',
  ...['skew_ns', 'volts', 'watts', 'loss_db', 'margin_db'].map((column) => `add column ${column} double precision`),
  'add column "limit" text not null default \'\'',
  'add column file text',
];

/** Faults found, odds changed, what somebody stands for; files of testers and of switches, and values by frequency. */
export class Migration20261128000000 extends Migration {
  override up(): void {
    this.addSql(`alter table result ${RESULT.join(', ')};`);
    this.addSql(`create table mend (${TEXT_KEY}, run_id text not null, symptom text not null, part text not null,
      words text not null, minutes double precision, "by" text not null, at text not null, ${to('run_id', 'run')});`);
    this.addSql(`create table part_odds (${TEXT_KEY}, symptom text not null, part text not null,
      weight double precision not null check (weight >= 0), ${key('part_odds')});`);
    this.addSql(`create table vouch (${TEXT_KEY}, cord_id text, uplink_id text, plug_id text, "as" text not null,
      how text not null, "by" text not null, why text not null, at text not null, ${key('vouch')},
      ${to('cord_id', 'cord')}, ${to('uplink_id', 'uplink')}, ${to('plug_id', 'plug')});`);
    this.addSql(`create table kept_file (job_id text not null references job (id) on delete cascade,
      id text not null check (id <> ''), primary key (job_id, id),
      kind text not null, about text not null, name text not null, "by" text not null, at timestamptz not null default now(),
      sha256 text not null, bytes integer not null check (bytes >= 0), body bytea not null);`);
    this.addSql(`create table result_value (job_id text not null references job (id) on delete cascade,
      result_id text not null check (result_id <> ''), primary key (job_id, result_id), body jsonb not null);`);
  }

  override down(): void {
    for (const table of ['result_value', 'kept_file', 'vouch', 'part_odds', 'mend'])
      this.addSql(`drop table ${table};`);
    for (const column of ['"end"', 'skew_ns', 'volts', 'watts', 'loss_db', 'margin_db', '"limit"', 'file'])
      this.addSql(`alter table result drop column ${column};`);
  }
}
