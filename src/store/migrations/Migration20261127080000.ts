import { Migration } from '@mikro-orm/migrations';

/** People to ask or to call about a site. */
export class Migration20261127080000 extends Migration {
  override up(): void {
    this.addSql(`create table contact (
      job_id text not null references job (id) on delete cascade,
      id text not null check (id <> ''),
      name text not null,
      role text not null,
      phone text not null,
      note text not null,
      key_1 text not null check (key_1 <> ''),
      primary key (job_id, id),
      constraint contact_key_1 unique (job_id, key_1) deferrable initially deferred
    );`);
  }

  override down(): void {
    this.addSql('drop table contact;');
  }
}
