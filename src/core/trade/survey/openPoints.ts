import { counted } from '../../base/text/counted';
import type { Job } from '../../job/document/job';
import { questionOf } from '../../job/records/questions';
import { isUntraced } from '../../job/records/run';
import { adviceFor } from './advice/advisers';
import { chosenOption } from './advice/chosen';
import { answerOf, isAnswered, questionsFor } from './answers/answers';
import { OUTLET_RULES } from './outletRules';

/** What is still open and that the job itself shows: nothing of this is typed. */
export function openByItself(job: Job): string[] {
  const runs = Object.values(job.runs);
  const later = runs.filter((run) => run.scope === 'later');
  const wishes = Object.values(job.wishes).filter((wish) => wish.scope === 'later');
  const untraced = runs.filter(isUntraced);
  const undecided = adviceFor(job).filter((advice) => chosenOption(job, advice.id) === null);
  const asked = questionsFor(job);
  const cautions = asked.filter((id) => questionOf(id).changes === 'a caution' && !isAnswered(job, id));
  const unknown = asked.filter((id) => !cautions.includes(id) && answerOf(job, id) === 'unknown');
  const reserved = answerOf(job, 'reserved-for').trim();
  const kept = Object.values(job.pathways).filter((pathway) => pathway.reservedFor !== '');
  return [
    ...wishes.map((wish) => {
      const room = job.rooms[wish.roomId];
      return `Later: ${counted(wish.count, OUTLET_RULES[wish.kind].words)} in ${room?.name ?? 'a room'}${wish.note ? ` (${wish.note})` : ''}.`;
    }),
    ...(later.length > 0
      ? [
          `Later: ${counted(later.length, 'run')} (${later
            .map((run) => run.label)
            .slice(0, 8)
            .join(', ')}${later.length > 8 ? ' …' : ''}).`,
        ]
      : []),
    ...(untraced.length > 0 ? [`${counted(untraced.length, 'cable')} not traced yet.`] : []),
    ...(reserved ? [`Kept free: ${reserved}.`] : []),
    ...kept.map((pathway) => `${pathway.name} is kept for ${pathway.reservedFor}.`),
    ...(undecided.length > 0 ? [`Not decided: ${undecided.map((advice) => advice.question).join(' ')}`] : []),
    ...(cautions.length > 0 ? [`${counted(cautions.length, 'question')} about safety not answered.`] : []),
    ...(unknown.length > 0
      ? [`Not known yet, so nothing is judged by it: ${unknown.map((id) => questionOf(id).words).join(' ')}`]
      : []),
  ];
}
