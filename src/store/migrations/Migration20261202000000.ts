import { Migration } from '@mikro-orm/migrations';

/**
 * Links end with the role of who made them: passes can be listed and withdrawn, and of a shared link it is
 * known whose it is. A second factor is held once. What is
 * to be looked after in a job, and when, stands beside it.
 */
export class Migration20261202000000 extends Migration {
  override up(): void {
    this.addSql(`alter table pass add column id text not null default gen_random_uuid()::text unique,
      add column withdrawn_at timestamptz;`);
    this.addSql('alter table pass alter column id drop default;');
    this.addSql('alter table account add column second_pending text;');
    this.addSql('create index pass_firm on pass (firm_id);');
    this.addSql('alter table job add column care jsonb;');
    this.addSql('alter table share_link add column made_by_id text references account (id) on delete set null;');
    // Only the name was kept: it is theirs where one member of the firm alone has it.
    this.addSql(`update share_link set made_by_id = single.account_id from (
        select firm_id, account.name, min(account_id) as account_id from member join account on account.id = account_id
          group by firm_id, account.name having count(*) = 1) single, job
      where job.id = share_link.job_id and single.firm_id = job.firm_id and single.name = share_link.made_by;`);
  }

  override down(): void {
    this.addSql('alter table job drop column care;');
    this.addSql('alter table account drop column second_pending;');
    this.addSql('alter table share_link drop column made_by_id;');
    this.addSql('drop index pass_firm;');
    this.addSql('alter table pass drop column id, drop column withdrawn_at;');
  }
}
