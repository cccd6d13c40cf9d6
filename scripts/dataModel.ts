import { writeFileSync } from 'node:fs';
import { TABLE_NAMES, tableOf } from '../src/core/job/document/tables';
import { STATION_NAMES } from '../src/core/job/records/stationIds';

const ABOUT = {
  plan: 'What is in the building',
  building: 'How it is built',
  'site-work': 'What was done and found on site',
  firm: 'What the firm works by',
} as const;
const KINDS = Object.keys(ABOUT) as (keyof typeof ABOUT)[];
const cell = (words: string): string => words.replaceAll('|', '\\|');

const TABLES = TABLE_NAMES.map(tableOf);

/** The tables of a job with their fields and references: a picture for each subject, and a list. */
export function dataModel(): string {
  const pictures = KINDS.map((about) => {
    const tables = TABLES.filter((table) => table.about === about);
    const lines = tables.flatMap(({ row, refers }) => [
      `  ${row}`,
      ...refers.map(({ field, to, whenGone }) => {
        return `  ${row} }o--${whenGone === 'goes' ? '||' : 'o|'} ${tableOf(to).row} : ${field}`;
      }),
    ]);
    return `## ${ABOUT[about]}\n\n\`\`\`mermaid\nerDiagram\n${lines.join('\n')}\n\`\`\`\n`;
  });
  const rows = TABLES.map(({ name, row, one, about, private: hidden, stations, atMost, schema, keys }) => {
    const at = stations.map((station) => STATION_NAMES[station]).join(', ');
    const fields = Object.keys(schema.shape).map((field) => `\`${field}\``);
    const shared = keys.map(({ what }) => what).join(', ');
    return `| \`${name}\` (\`${row}\`) | ${cell(one)} | ${about}${hidden ? ', private' : ''} | ${at} | ${atMost} | ${shared} | ${fields.join(' ')} |`;
  });
  return `# Data model

Every record of a job belongs to one of ${TABLES.length} tables. Each is one file in \`src/core/job/records/\`, which holds its fields with their units; the
database, the job file and the forms follow from it. In the pictures, a double line at the end means that the record goes when the other
one goes, and a circle that the reference is cleared.

Made by \`npm run data-model\`.

${pictures.join('\n')}
## All tables

| Table (in the database) | One is | About | Stations | At most | Unique | Fields |
|---|---|---|---|---|---|---|
${rows.join('\n')}
`;
}

if (process.argv[1]?.endsWith('dataModel.ts')) writeFileSync('docs/data-model.md', dataModel());
