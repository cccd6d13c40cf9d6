import type { Job } from '../../../job/document/job';
import { type QuestionGroup, questionOf } from '../../../job/records/questions';
import { questionsFor } from './answers';

/** What other stations ask for. */
const ELSEWHERE: readonly QuestionGroup[] = ['Labels', 'Mains out', 'Heat and noise', 'Proving'];

/** Questions that change a caution or say what the site is like, answered of all; figures with a default are no duty. */
export function surveyProgress(job: Job): [done: number, of: number] {
  const asked = questionsFor(job).filter(
    (id) => questionOf(id).kind === 'choice' && !ELSEWHERE.includes(questionOf(id).group),
  );
  const site = Object.keys(job.rooms).length > 0 ? 1 : 0;
  return [asked.filter((id) => job.answers[id] !== undefined).length + site, asked.length + 1];
}
