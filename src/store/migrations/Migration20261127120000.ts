import { Migration } from '@mikro-orm/migrations';

/**
 * The region whose rules hold, which the mains voltage stood in for; the class of a cable's reaction to fire; gear that gives
 * power without asking; the colour of a cord inside the cabinet.
 */
export class Migration20261127120000 extends Migration {
  override up(): void {
    this.addSql(`alter table job add column rules text not null default 'other';`);
    this.addSql(`update job set rules = 'north-america' where id in
      (select job_id from answer where id = 'mains-volts' and value = '120');`);
    this.addSql('alter table job alter column rules drop default;');
    // The beginning of a history has the rules of its job: they were never a step.
    this.addSql(`update snapshot set body = jsonb_set(snapshot.body::jsonb, '{rules}', to_jsonb(job.rules))::text
      from job where job.id = snapshot.job_id;`);
    this.addSql('alter table cable_kind add column fire_class text;');
    this.addSql(`alter table uplink add column colour text not null default '';`);
    this.addSql('alter table uplink alter column colour drop default;');
    this.addSql('alter table gear add column powers_unasked boolean not null default false;');
    this.addSql('alter table gear alter column powers_unasked drop default;');
  }

  override down(): void {
    this.addSql('alter table gear drop column powers_unasked;');
    this.addSql('alter table uplink drop column colour;');
    this.addSql('alter table cable_kind drop column fire_class;');
    this.addSql('alter table job drop column rules;');
  }
}
