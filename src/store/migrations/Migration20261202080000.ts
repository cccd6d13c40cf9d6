import { Migration } from '@mikro-orm/migrations';

const LATER = 'deferrable initially deferred';

/** Devices on runs are records of their own. */
export class Migration20261202080000 extends Migration {
  override up(): void {
    this.addSql(`create table device (job_id text not null references job (id) on delete cascade,
      id text not null check (id <> ''), primary key (job_id, id), run_id text not null, name text not null,
      kind text not null, state text not null, replaced_by_id text, model text not null, serial text not null,
      mac text not null, addresses text not null, bought_on text, warranty_until text, notes text not null,
      key_1 text check (key_1 <> ''), constraint device_key_1 unique (job_id, key_1) ${LATER},
      foreign key (job_id, run_id) references run (job_id, id) ${LATER},
      foreign key (job_id, replaced_by_id) references device (job_id, id) ${LATER});`);
    this.addSql('create index device_run on device (job_id, run_id);');
  }

  override down(): void {
    this.addSql('drop table device;');
  }
}
