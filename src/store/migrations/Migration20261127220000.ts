import { Migration } from '@mikro-orm/migrations';

const ROW = `job_id text not null references job (id) on delete cascade,
  id text not null check (id <> ''),
  primary key (job_id, id)`;
const LATER = 'deferrable initially deferred';
const key = (table: string) =>
  `key_1 text not null check (key_1 <> ''), constraint ${table}_key_1 unique (job_id, key_1) ${LATER}`;
const to = (field: string, table: string) => `foreign key (job_id, ${field}) references ${table} (job_id, id) ${LATER}`;

/** Testers, what they said of runs, and what was accepted without. */
export class Migration20261127220000 extends Migration {
  override up(): void {
    this.addSql(`create table tester (${ROW}, name text not null, tells text not null, lengths boolean not null,
      serial text not null, calibrated_on text, ${key('tester')});`);
    this.addSql(`create table result (${ROW}, run_id text not null, tester_id text, tells text not null,
      passed boolean not null, at text not null, "by" text not null, map text not null, screen text not null,
      split_seen boolean, pair12_m double precision, pair36_m double precision, pair45_m double precision,
      pair78_m double precision, speed_mbps integer, note text not null,
      ${to('run_id', 'run')}, ${to('tester_id', 'tester')});`);
    this.addSql(`create table acceptance (${ROW}, run_id text not null, "by" text not null, why text not null,
      at text not null, ${key('acceptance')}, ${to('run_id', 'run')});`);
  }

  override down(): void {
    for (const table of ['acceptance', 'result', 'tester']) this.addSql(`drop table ${table};`);
  }
}
