import { Migration } from '@mikro-orm/migrations';

/** What is to be looked after, and why a step was done. */
export class Migration20261128040000 extends Migration {
  override up(): void {
    this.addSql(`create table care_item (job_id text not null references job (id) on delete cascade,
      id text not null check (id <> ''), primary key (job_id, id),
      what text not null, gear_id text, every_months integer check (every_months > 0), last_on text, due_on text,
      note text not null,
      foreign key (job_id, gear_id) references gear (job_id, id) deferrable initially deferred);`);
    this.addSql('alter table kit_item add column paid_minor integer;');
    this.addSql(`alter table step add column reason text not null default '';`);
  }

  override down(): void {
    this.addSql('alter table step drop column reason;');
    this.addSql('alter table kit_item drop column paid_minor;');
    this.addSql('drop table care_item;');
  }
}
