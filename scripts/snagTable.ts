import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { citeWithMark } from '../src/core/base/standards/source';
import { GRADE_WORDS, type Grade } from '../src/core/base/text/grade';
import { SNAG_RULES } from '../src/core/findings/snags/findSnags';

const FOLDER = 'src/core/findings/snags/rules';
const camel = (id: string): string => id.replace(/-(\w)/g, (_, letter: string) => letter.toUpperCase());

/** Grades that a rule gives, as its file and the helpers that it calls name them. */
function gradesOf(id: string, root: string): Grade[] {
  const text = readFileSync(join(root, FOLDER, `${camel(id)}.ts`), 'utf8');
  const named = (['wont-work', 'will-bite', 'could-be-neater'] as const).filter((grade) => text.includes(`'${grade}'`));
  return /\b(?:runsNotJudged|notJudged)\(/.test(text) ? [...named, 'not-judged'] : named;
}

const cell = (words: string): string => words.replaceAll('|', '\\|');

/** Every rule with its grades, why, and whose word it is. @param root folder of the program */
export function snagTable(root: string): string {
  const rows = SNAG_RULES.map(({ id, why, source }) => {
    const grades = gradesOf(id, root).map((grade) => GRADE_WORDS[grade]);
    const own =
      grades.length > 0 ? grades.join('; ') : 'will not work; will cause trouble: as grave as the fault of the link';
    return `| \`${id}\` | ${own} | ${cell(why)} | ${cell(citeWithMark(source))} |`;
  });
  return `# Rules and their grades

- **will not work**: a device is without link, power or space, or something is unsafe.
- **will cause trouble**: it works on the day, and fails, trips, overheats or costs a second visit later.
- **could be neater**: nothing fails; an installer with time would do it another way.
- **not judged**: a figure that the check needs was not entered. It is listed once for each thing, is no snag, and is never green.

Where a rule has several grades, the graver one is for what fails now and the lesser for what fails with growth or on a bad day;
*not judged* is for missing figures. A missing optional figure is never a warning.

Made by \`npm run snags\`.

| Rule | Grade | Reason | Source |
|---|---|---|---|
${rows.join('\n')}
`;
}

if (process.argv[1]?.endsWith('snagTable.ts')) writeFileSync('docs/snags.md', snagTable(process.cwd()));
