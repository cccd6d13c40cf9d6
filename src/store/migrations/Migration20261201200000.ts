import { Migration } from '@mikro-orm/migrations';

/**
 * The country of a job; stations that a job does not need; test results with their order, delay, loop resistance and
 * what a fibre test is judged by; testers that detect split pairs; watts over the cable that nobody entered; doors that nobody described; how warm a pathway gets.
 */
export class Migration20261201200000 extends Migration {
  override up(): void {
    this.addSql(`alter table job add column country text not null default '';`);
    this.addSql('alter table job alter column country drop default;');
    this.addSql(`create table skip (job_id text not null references job (id) on delete cascade,
      id text not null check (id <> ''), primary key (job_id, id),
      why text not null);`);
    this.addSql(`alter table result add column seq integer not null default 0 check (seq >= 0),
      add column delay_ns double precision, add column loop_ohm double precision,
      add column length_m double precision, add column wavelength_nm integer,
      add column mated_pairs integer, add column splices integer,
      add column margin_of text not null default '';`);
    this.addSql('alter table result alter column seq drop default, alter column margin_of drop default;');
    this.addSql('alter table tester add column sees_splits boolean;');
    this.addSql('alter table pathway add column ambient_c double precision;');
    this.addSql('alter table rack alter column door drop not null;');
    this.addSql('alter table run alter column poe_w drop not null;');
    // 0 meant no power and not known alike.
    this.addSql('update run set poe_w = null where poe_w = 0;');
    this.addSql(`update gear set battery = battery || '{"ownW": null}' where battery is not null;`);
  }

  override down(): void {
    this.addSql(`update gear set battery = battery - 'ownW' where battery is not null;`);
    this.addSql(`update rack set door = 'none' where door is null;`);
    this.addSql('alter table rack alter column door set not null;');
    this.addSql('update run set poe_w = 0 where poe_w is null;');
    this.addSql('alter table run alter column poe_w set not null;');
    this.addSql('alter table pathway drop column ambient_c;');
    this.addSql('alter table tester drop column sees_splits;');
    this.addSql(`alter table result drop column seq, drop column delay_ns, drop column loop_ohm, drop column length_m,
      drop column wavelength_nm, drop column mated_pairs, drop column splices, drop column margin_of;`);
    this.addSql('drop table skip;');
    this.addSql('alter table job drop column country;');
  }
}
