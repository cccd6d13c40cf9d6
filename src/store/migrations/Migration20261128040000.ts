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
    this.addSql(`alter table up_hours add column also_needs jsonb not null default '[]',
      add column without jsonb not null default '[]';`);
    this.addSql(`create table stopgap (job_id text not null references job (id) on delete cascade,
      id text not null check (id <> ''), primary key (job_id, id),
      step text not null, frees text not null, words text not null,
      key_1 text not null check (key_1 <> ''),
      constraint stopgap_key_1 unique (job_id, key_1) deferrable initially deferred);`);
    this.addSql(`alter table step add column reason text not null default '';`);
  }

  override down(): void {
    this.addSql('alter table step drop column reason;');
    this.addSql('alter table kit_item drop column paid_minor;');
    this.addSql('alter table up_hours drop column also_needs, drop column without;');
    this.addSql('drop table stopgap;');
    this.addSql('drop table care_item;');
  }
}
