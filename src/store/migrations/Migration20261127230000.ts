import { Migration } from '@mikro-orm/migrations';

/** Hardware addresses of what hangs on runs. */
export class Migration20261127230000 extends Migration {
  override up(): void {
    this.addSql(`create table address (job_id text not null references job (id) on delete cascade,
      id text not null check (id <> ''), primary key (job_id, id),
      address text not null, run_id text not null, learnt_on text,
      key_1 text not null check (key_1 <> ''),
      constraint address_key_1 unique (job_id, key_1) deferrable initially deferred,
      foreign key (job_id, run_id) references run (job_id, id) deferrable initially deferred);`);
  }

  override down(): void {
    this.addSql('drop table address;');
  }
}
