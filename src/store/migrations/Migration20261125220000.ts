import { Migration } from '@mikro-orm/migrations';

/** Uplinks that act as one. */
export class Migration20261125220000 extends Migration {
  override up(): void {
    this.addSql('alter table uplink add column bundled boolean not null default false;');
    // What was recorded of earlier steps with uplinks does not know the field: it is no longer undone or done again.
    this.addSql(`update command_log set standing = 'dropped'
      where kind = 'do' and (patches::text like '%"uplinks"%' or inverse::text like '%"uplinks"%');`);
  }

  override down(): void {
    this.addSql('alter table uplink drop column bundled;');
  }
}
