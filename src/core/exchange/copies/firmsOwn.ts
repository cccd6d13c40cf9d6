import { Refusal } from '../../base/text/refusal';
import { applyCommands } from '../../job/commands/apply';
import type { Command } from '../../job/commands/commands';
import { rowCommands } from '../../job/commands/rowCommands';
import { alike } from '../../job/document/change';
import { changeLine } from '../../job/document/changeWords';
import type { Job } from '../../job/document/job';
import { type AnyRecord, rowsOf, type TableRow, tableOf, tableRow } from '../../job/document/tables';
import type { LibraryEntry } from '../../job/gear/library';
import type { Gear } from '../../job/records/gear';
import { isFirms, isQuestion, QUESTION_IDS, type QuestionId, questionOf } from '../../job/records/questions';
import { answerText } from '../../trade/survey/answers/answers';

/** What of the firm's pattern a job has otherwise: what would take it over, and each difference in words. */
export type News = { words: string; commands: Command[]; lines: string[] };

/** Tables of what a firm works by, whatever the building. */
export const FIRMS_TABLES = {
  cableKinds: 'Kinds of cable',
  testers: 'Testers',
  partOdds: 'What is likely broken',
} as const;

/** What the pattern says of a record: where it says nothing, what is known already stays. */
const known = <T extends AnyRecord>(record: T, there: AnyRecord | undefined): T =>
  Object.fromEntries(
    Object.entries(record).map(([field, value]) => [
      field,
      there && (value === null || value === '') ? there[field] : value,
    ]),
  ) as T;

const OWN_TABLES = Object.keys(FIRMS_TABLES) as (keyof typeof FIRMS_TABLES)[];

/** Rows of a table as the pattern has them, each under the id of the row that is the same thing in this job. */
function sameRows(job: Job, pattern: Job, table: keyof typeof FIRMS_TABLES): TableRow[] {
  const { keys } = tableOf(table);
  const keyOf = (row: AnyRecord) => keys.map((key) => key.of(row)).join('\n');
  const there = rowsOf(job, table);
  const ids = new Map(Object.values(there).map((row) => [keyOf(row), row.id]));
  const taken = new Set(Object.keys(there));
  return Object.values(rowsOf(pattern, table)).map((row) => {
    let id = ids.get(keyOf(row)) ?? row.id;
    // Another thing may have the same id here.
    if (!ids.has(keyOf(row))) for (let number = 2; taken.has(id); number++) id = `${row.id.slice(0, 60)}-${number}`;
    taken.add(id);
    return tableRow(table, known({ ...row, id }, there[id]));
  });
}

/** Answers of the firm's own way, those of one half: what things cost and take, or how it works. */
const answersOf = (pattern: Job, isMoney: boolean): TableRow[] =>
  QUESTION_IDS.flatMap((id) => {
    const { [id]: answer } = pattern.answers;
    const { group } = questionOf(id);
    const money = group === 'What things cost' || group === 'Minutes of the build';
    return answer && isFirms(id) && money === isMoney ? [{ table: 'answers' as const, record: answer }] : [];
  });

/** What a device is called without the number that tells like ones apart. */
const kindName = (name: string): string =>
  name
    .replace(/ \(\d+\)$/, '')
    .trim()
    .toLowerCase();

/** What tells one device from another of its kind, and what others hang on: never taken over. */
const ITS_OWN: readonly (keyof Gear)[] = [
  'id',
  'name',
  'shortName',
  'kind',
  'frame',
  'heightU',
  'ports',
  'outlets',
  'drives',
  'daysWanted',
  'inOutage',
  'notes',
];
/** A battery as its kind is: when the blocks of one were made says nothing of another. */
const batteryOf = ({ battery }: Pick<Gear, 'battery'>, madeOn: string | null) => battery && { ...battery, madeOn };

/** Figures of a kind for one device of it: nothing is known better by being empty. */
const figuresFor = (like: Gear, gear: Gear) =>
  Object.fromEntries(
    Object.entries({ ...like, battery: batteryOf(like, gear.battery?.madeOn ?? null) }).filter(
      ([field, value]) => !ITS_OWN.includes(field as keyof Gear) && value !== null,
    ),
  );

/** Devices of the firm's pattern, each kind once, as they go to another job. */
export function ownGear(pattern: Job): LibraryEntry[] {
  const kinds = new Map<string, LibraryEntry>();
  for (const { id: _, shortName: __, ...gear } of Object.values(pattern.gear)) {
    const key = kindName(gear.name);
    const name = gear.name.replace(/ \(\d+\)$/, '');
    if (!kinds.has(key)) kinds.set(key, { ...gear, shortName: '', name, notes: '', battery: batteryOf(gear, null) });
  }
  return [...kinds.values()];
}

/** Figures of like devices: prices, mass, draw and the rest. */
function gearCommands(job: Job, pattern: Job): Command[] {
  const kinds = new Map(Object.values(pattern.gear).map((gear) => [`${gear.kind} ${kindName(gear.name)}`, gear]));
  const edits = Object.values(job.gear).flatMap((gear) => {
    const like = kinds.get(`${gear.kind} ${kindName(gear.name)}`);
    if (!like) return [];
    const changes = Object.fromEntries(
      Object.entries(figuresFor(like, gear)).filter(([field, value]) => !alike(gear[field as keyof Gear], value)),
    );
    return Object.keys(changes).length > 0 ? [{ table: 'gear' as const, id: gear.id, changes }] : [];
  });
  return edits.length > 0 ? [{ type: 'editRows', edits }] : [];
}

/** An answer, or the default that stands, in the words of its choice. */
function shownAnswer(job: Job, id: QuestionId): string {
  const question = questionOf(id);
  const text = answerText(job, id);
  if (question.kind === 'choice') return question.options.find(({ value }) => value === text)?.words ?? text;
  return text === '' ? 'nothing' : question.kind === 'number' ? `${text} ${question.unit}`.trim() : text;
}

/** What commands would change, a line each; why they cannot, where they cannot. */
function linesOf(job: Job, commands: readonly Command[]): string[] {
  try {
    const { job: then, changes } = applyCommands(job, commands);
    return changes.map((change) =>
      change.table === 'answers' && isQuestion(change.id)
        ? `${questionOf(change.id).words}: ${shownAnswer(job, change.id)} → ${shownAnswer(then, change.id)}`
        : changeLine(then, change),
    );
  } catch (fault) {
    if (fault instanceof Refusal) return [fault.message];
    throw fault;
  }
}

/**
 * What of the firm's pattern a job has otherwise: kinds of cable, testers, prices and minutes, ways of working and words, and
 * figures of like gear. Rows are the same thing where their names are; what the job has beyond it stays.
 */
export const firmsNews = (job: Job, pattern: Job): News[] =>
  [
    ...OWN_TABLES.map((table) => [FIRMS_TABLES[table], rowCommands(job, sameRows(job, pattern, table))] as const),
    ['Prices and minutes', rowCommands(job, answersOf(pattern, true))] as const,
    ['Ways of working and words', rowCommands(job, answersOf(pattern, false))] as const,
    ['Figures of like gear', gearCommands(job, pattern)] as const,
  ].flatMap(([words, commands]) => (commands.length === 0 ? [] : [{ words, commands, lines: linesOf(job, commands) }]));

/** A new job with what the firm works by. What cannot be taken over is left, and offered in the job with the reason. */
export const withFirmsOwn = (job: Job, pattern: Job): Job =>
  firmsNews(job, pattern).reduce((so, { commands }) => {
    try {
      return applyCommands(so, commands).job;
    } catch (fault) {
      if (fault instanceof Refusal) return so;
      throw fault;
    }
  }, job);
