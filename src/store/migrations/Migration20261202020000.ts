import { Migration } from '@mikro-orm/migrations';

/** Choices are codes and no words: columns that held words with blanks. */
const CHOICES = [
  ['gear', 'in_outage'],
  ['pathway', 'containment'],
  ['result', 'screen'],
  ['mend', 'symptom'],
  ['part_odds', 'symptom'],
] as const;

/** Usual care by what it was called when it was added. */
const USUAL = {
  filters: 'Clean or change the filters',
  fans: 'Look at the fans, listen to them, and blow out the dust',
  'battery-test': 'Test the battery under load',
  'restore-test': 'Restore the settings from their backup, to see that it works',
  'rcd-test': 'Trip the residual-current device by its button',
} as const;

/** Stored choices become codes; usual care and open points say by a code what they are, and not by their words. */
export class Migration20261202020000 extends Migration {
  override up(): void {
    for (const [table, column] of CHOICES) this.addSql(`update ${table} set ${column} = replace(${column}, ' ', '-');`);
    this.addSql(`update part_odds set key_1 = replace(key_1, ' ', '-');`);
    this.addSql('alter table care_item add column usual text;');
    for (const [usual, what] of Object.entries(USUAL))
      this.addSql(`update care_item set usual = '${usual}' where what = '${what}';`);
    this.addSql(`alter table open_point add column about text not null default '';`);
    this.addSql('alter table open_point alter column about drop default;');
    this.addSql('update job set care = null;');
  }

  override down(): void {
    this.addSql('alter table open_point drop column about;');
    this.addSql('alter table care_item drop column usual;');
    const words = [
      'may-go',
      'goes-first',
      'open-metal',
      'perforated-metal',
      'solid-metal',
      'not-tested',
      'no-power',
      'half-duplex',
      'warm-afternoons',
    ];
    for (const [table, column] of CHOICES)
      this.addSql(
        `update ${table} set ${column} = replace(${column}, '-', ' ') where ${column} in (${words.map((one) => `'${one}'`).join(', ')});`,
      );
    this.addSql(`update part_odds set key_1 = symptom || '/' || part;`);
  }
}
