import { Migration } from '@mikro-orm/migrations';

const ROW = `job_id text not null references job (id) on delete cascade,
  id text not null check (id <> ''),
  primary key (job_id, id)`;
const key = (table: string) =>
  `key_1 text not null check (key_1 <> ''),
   constraint ${table}_key_1 unique (job_id, key_1) deferrable initially deferred`;

/** How a job is built: from what, in which visits, in which order, with which kit, and what is done of it. */
export class Migration20261127200000 extends Migration {
  override up(): void {
    this.addSql(`create table cutover (${ROW}, today_revision integer, today_name text not null, hands integer not null,
      electrician boolean not null, school text not null, park_limit integer not null, learning double precision not null,
      break_every_min integer not null, break_min integer not null, verify_min integer not null,
      spare_percent integer not null);`);
    this.addSql(`create table visit (${ROW}, name text not null, "on" text not null, "from" text not null,
      minutes integer not null, people integer not null, electrician boolean not null, notes text not null,
      ${key('visit')});`);
    this.addSql(`create table up_hours (${ROW}, service text not null, weight double precision, days text not null,
      "from" text, "to" text, most_min integer, ${key('up_hours')});`);
    this.addSql(`create table tick (${ROW}, step text not null, state text not null, minutes double precision,
      "by" text not null, at text not null, photographed boolean not null, note text not null, ${key('tick')});`);
    this.addSql(`create table order_pin (${ROW}, first text not null, next text not null, ${key('order_pin')});`);
    this.addSql(`create table kit_item (${ROW}, item text not null, state text not null, due text,
      have double precision, price_minor integer, note text not null, ${key('kit_item')});`);
  }

  override down(): void {
    for (const table of ['kit_item', 'order_pin', 'tick', 'up_hours', 'visit', 'cutover'])
      this.addSql(`drop table ${table};`);
  }
}
