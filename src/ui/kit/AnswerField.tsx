import { type QuestionId, questionOf } from '@/core/job/records/questions';
import { answerCommand, answerOf, answerText } from '@/core/trade/survey/answers/answers';
import { useSession } from '../session/session';
import { CommitField, CommitSelect, committing } from './CommitField';

/** A question of the survey where it is needed: what is set here holds for the whole job. */
export function AnswerField({ id, label, className }: { id: QuestionId; label?: string; className?: string }) {
  const job = useSession((session) => session.job);
  const dispatch = useSession((session) => session.dispatch);
  const question = questionOf(id);
  const name = label ?? question.words;
  const extra = className === undefined ? {} : { className };
  if (question.kind === 'choice') {
    return (
      <CommitSelect
        {...extra}
        label={name}
        value={answerOf(job, id)}
        options={question.options}
        onCommit={(value) => dispatch([answerCommand(job, id, value)])}
      />
    );
  }
  const unit =
    question.kind === 'length'
      ? job.units === 'metric'
        ? 'm'
        : 'ft'
      : question.kind === 'number'
        ? question.unit
        : '';
  return (
    <CommitField
      {...extra}
      label={name}
      {...(unit ? { unit } : {})}
      value={answerText(job, id)}
      onCommit={committing((text) => dispatch([answerCommand(job, id, text)]))}
    />
  );
}
