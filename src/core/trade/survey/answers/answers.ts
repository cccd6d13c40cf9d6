import { countryOf } from '../../../base/standards/countries';
import { ruleSets } from '../../../base/standards/ruleSets';
import type { Source } from '../../../base/standards/source';
import { refuse } from '../../../base/text/refusal';
import { lengthToField, parseLength, type Units } from '../../../base/units/length';
import type { Command } from '../../../job/commands/commands';
import type { Job } from '../../../job/document/job';
import { QUESTION_IDS, type Question, type QuestionId, questionOf } from '../../../job/records/questions';

/** What stands until an answer is given: of the region whose rules hold, else the same everywhere. */
const initialOf = (job: Job, id: QuestionId): string =>
  (id === 'currency' ? countryOf(job.country)?.currency : undefined) ??
  ruleSets[job.rules].answers[id]?.value ??
  String(questionOf(id).initial);

/** Where it comes from; null where it is only how things mostly are. */
export const initialSource = (job: Job, id: QuestionId): Source | null =>
  ruleSets[job.rules].answers[id]?.source ?? questionOf(id).source ?? null;

/** The answer that holds: the one given, or the default. Numbers as digits. */
export const answerOf = (job: Job, id: QuestionId): string => job.answers[id]?.value ?? initialOf(job, id);

/** Questions that are asked under the job's rules. */
export const questionsFor = (job: Job): QuestionId[] =>
  QUESTION_IDS.filter((id) => questionOf(id).under?.includes(ruleSets[job.rules].jackets) ?? true);

/** A number that was set, or its default; a default too where what was kept is no number in its limits. */
export function figureOf(job: Job, id: QuestionId): number {
  const question = questionOf(id);
  const value = Number(answerOf(job, id));
  if (question.kind !== 'number' && question.kind !== 'length') return value;
  return Number.isFinite(value) && value >= question.least && value <= question.most
    ? value
    : Number(initialOf(job, id));
}

export const isAnswered = (job: Job, id: QuestionId): boolean => job.answers[id] !== undefined;

/** An answer as it stands in its field. */
export function answerText(job: Job, id: QuestionId): string {
  return questionOf(id).kind === 'length' ? lengthToField(figureOf(job, id), job.units) : answerOf(job, id);
}

function readNumber(question: Question, text: string, units: Units): string {
  if (question.kind === 'words') {
    const wrong = question.check?.(text.trim());
    if (wrong) refuse('answer', `${question.words}: ${wrong}`);
  }
  if (question.kind !== 'number' && question.kind !== 'length') return text.trim();
  const { least, most, kind } = question;
  const plain = units === 'metric' ? 'm' : 'ft';
  const value = kind === 'length' ? parseLength(text, plain) : Number(text.trim().replace(',', '.') || Number.NaN);
  if (value === null || !Number.isFinite(value) || value < least || value > most) {
    const show = (one: number) => (kind === 'length' ? `${lengthToField(one, units)} ${plain}` : String(one));
    refuse(
      'answer',
      `${question.words}: found ${text.trim() === '' ? 'nothing' : `“${text.trim()}”`}, expected ${show(least)} to ${show(most)} ${question.unit}.`.replace(
        ' .',
        '.',
      ),
    );
  }
  return String(value);
}

/**
 * The command that keeps an answer as typed or chosen.
 * @throws Refusal that says what was expected
 */
export function answerCommand(job: Job, id: QuestionId, text: string, note = job.answers[id]?.note ?? ''): Command {
  const question = questionOf(id);
  const value = readNumber(question, text, job.units);
  if (question.kind === 'choice' && !question.options.some((option) => option.value === value)) {
    const words = question.options.map((option) => option.value).join(', ');
    refuse('answer', `${question.words} found “${value}”, expected one of ${words}.`);
  }
  const there = job.answers[id];
  if (!there) return { type: 'keepRows', rows: [{ table: 'answers', record: { id, value, note } }] };
  const changes = there.note === note ? { value } : { value, note };
  return { type: 'editRows', edits: [{ table: 'answers', id, changes }] };
}
