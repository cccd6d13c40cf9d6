import { Migration } from '@mikro-orm/migrations';

/** Tables with short names, and the column that keeps two rows from sharing one. */
const SHORT = [
  ['gear', 'key_2'],
  ['rack', 'key_1'],
] as const;

/** A mass or a draw that is not known is not 0; the power class of what hangs on a run; where cables enter a rack; short names. */
export class Migration20261127100000 extends Migration {
  override up(): void {
    for (const column of ['mass_kg', 'power_w']) {
      this.addSql(`alter table gear alter column ${column} drop not null;`);
      this.addSql(`update gear set ${column} = null where ${column} = 0;`);
    }
    this.addSql('alter table run add column poe_class integer;');
    for (const [table, key] of SHORT) {
      this.addSql(`alter table ${table} add column short_name text not null default '';`);
      this.addSql(`alter table ${table} alter column short_name drop default;`);
      this.addSql(`alter table ${table} add column ${key} text check (${key} <> '');`);
      this.addSql(
        `alter table ${table} add constraint ${table}_${key} unique (job_id, ${key}) deferrable initially deferred;`,
      );
    }
    this.addSql('alter table rack add column entry_depth_mm integer, add column entry_across_mm integer;');
  }

  override down(): void {
    for (const [table, key] of SHORT) this.addSql(`alter table ${table} drop column ${key}, drop column short_name;`);
    this.addSql('alter table rack drop column entry_depth_mm, drop column entry_across_mm;');
    this.addSql('alter table run drop column poe_class;');
    for (const column of ['mass_kg', 'power_w']) {
      this.addSql(`update gear set ${column} = 0 where ${column} is null;`);
      this.addSql(`alter table gear alter column ${column} set not null;`);
    }
  }
}
