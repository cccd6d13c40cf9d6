import { Migration } from '@mikro-orm/migrations';

/** Uplinks that act as one. */
export class Migration20261125220000 extends Migration {
  override up(): void {
    this.addSql('alter table uplink add column bundled boolean not null default false;');
  }

  override down(): void {
    this.addSql('alter table uplink drop column bundled;');
  }
}
