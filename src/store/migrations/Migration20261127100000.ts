import { Migration } from '@mikro-orm/migrations';

/** A mass or a draw that is not known is not 0; the power class of what hangs on a run; where cables enter a rack. */
export class Migration20261127100000 extends Migration {
  override up(): void {
    for (const column of ['mass_kg', 'power_w']) {
      this.addSql(`alter table gear alter column ${column} drop not null;`);
      this.addSql(`update gear set ${column} = null where ${column} = 0;`);
    }
    this.addSql('alter table run add column poe_class integer;');
    this.addSql('alter table rack add column entry_depth_mm integer, add column entry_across_mm integer;');
  }

  override down(): void {
    this.addSql('alter table rack drop column entry_depth_mm, drop column entry_across_mm;');
    this.addSql('alter table run drop column poe_class;');
    for (const column of ['mass_kg', 'power_w']) {
      this.addSql(`update gear set ${column} = 0 where ${column} is null;`);
      this.addSql(`alter table gear alter column ${column} set not null;`);
    }
  }
}
