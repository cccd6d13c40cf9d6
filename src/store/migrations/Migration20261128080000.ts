import { Migration } from '@mikro-orm/migrations';

/** When somebody last gave their password on a device: it is asked again before what matters. */
export class Migration20261128080000 extends Migration {
  override up(): void {
    this.addSql('alter table sign_in add column proven_at timestamptz not null default now();');
    this.addSql('update sign_in set proven_at = made_at;');
  }

  override down(): void {
    this.addSql('alter table sign_in drop column proven_at;');
  }
}
