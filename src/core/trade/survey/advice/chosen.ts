import type { Job } from '../../../job/document/job';

/** The answer that keeps a choice. */
export const choiceId = (adviceId: string): string => `choice-${adviceId}`;
/** The option that was chosen of a decision; null while none was. */
export const chosenOption = (job: Job, adviceId: string): string | null =>
  job.answers[choiceId(adviceId)]?.value ?? null;

const CABLES: Record<string, string> = { '5e': 'Cat 5e U/UTP', '6': 'Cat 6 U/UTP', '6A': 'Cat 6A F/UTP' };

/** The kind of cable for new runs, by the category that was chosen. */
export function chosenCable(job: Job, needsFaster = false): string {
  const category = chosenOption(job, 'category') ?? '6';
  return CABLES[needsFaster && category !== '6A' ? '6A' : category] ?? 'Cat 6 U/UTP';
}
