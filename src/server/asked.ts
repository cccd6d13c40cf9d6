import { z } from 'zod';
import { refuse } from '../core/base/text/refusal';
import { Point } from '../core/exchange/wire/wire';
import { Actor } from '../core/job/document/step';
import { TABLE_NAMES, type TableName } from '../core/job/document/tables';
import type { StepFilter } from '../store/steps';
import { checked } from './answer';
import type { Asker } from './can';

/** Nobody in particular: who asks without a name sees everything, and has nothing to undo. */
const NOBODY: Actor = { id: 'nobody', name: '' };

const wordsOf = (request: Request) => new URL(request.url).searchParams;

/** The name of one who is signed in, or was given a link; null where nobody knows. */
export const nameOf = (asker: Asker): string | null =>
  asker.kind === 'member' ? asker.name : asker.kind === 'link' ? asker.whom : null;

/** Whose step it is: of one who signed in theirs, whatever their browser says. */
export function asActor(asker: Asker, given: Actor): Actor {
  if (asker.kind === 'member') return { id: asker.accountId, name: asker.name };
  return asker.kind === 'link' ? { id: asker.linkId, name: asker.whom } : given;
}

/** Who asks: one who signed in, or whom the address names. */
export function askedBy(asker: Asker, request: Request): Actor {
  if (asker.kind !== 'machine') return asActor(asker, NOBODY);
  const id = wordsOf(request).get('actor');
  return id === null ? NOBODY : checked(Actor, { id, name: '' });
}

/** A revision from an address. @throws Refusal */
export function readRevision(text: string): number {
  const revision = z.coerce.number().int().min(0).max(2_000_000_000).safeParse(text);
  if (!/^\d+$/.test(text) || !revision.success)
    return refuse('bad-request', 'revision: expected a whole number from 0.');
  return revision.data;
}

/** Where the asker stands; null where nothing is said of it. */
export function askedPoint(request: Request): Point | null {
  const words = wordsOf(request);
  const revision = words.get('revision');
  if (revision === null) return null;
  return checked(Point, {
    history: words.get('history') ?? '',
    revision: readRevision(revision),
    step: words.get('step') ?? '',
  });
}

const isTable = (word: string): word is TableName => (TABLE_NAMES as string[]).includes(word);

/** Which steps are asked for. @throws Refusal */
export function askedSteps(request: Request): StepFilter {
  const words = wordsOf(request);
  const [of, tables, table, id, before] = ['of', 'tables', 'table', 'id', 'before'].map((word) => words.get(word));
  const many = tables?.split(',').filter(Boolean) ?? [];
  for (const word of [...many, ...(table ? [table] : [])])
    if (!isTable(word)) refuse('bad-request', `table: expected one of ${TABLE_NAMES.join(', ')}, found “${word}”.`);
  return {
    ...(of ? { actorId: of === 'anybody' ? '' : of } : {}),
    ...(many.length > 0 ? { tables: many } : {}),
    ...(table ? { table, id: id ?? '' } : {}),
    ...(before ? { before: readRevision(before) } : {}),
  };
}
