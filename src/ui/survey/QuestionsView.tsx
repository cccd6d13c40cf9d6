import { citeFor } from '@/core/base/standards/cite';
import { QUESTION_GROUPS, type QuestionId, questionOf } from '@/core/job/records/questions';
import {
  answerCommand,
  answerOf,
  answerText,
  initialSource,
  isAnswered,
  questionsFor,
} from '@/core/trade/survey/answers/answers';
import { CommitField, CommitSelect, committing } from '../kit/CommitField';
import { useSession } from '../session/session';

/** Every question that changes a computation, a caution or the record, and every figure that can be set. */
export function QuestionsView() {
  const job = useSession((session) => session.job);
  const asked = questionsFor(job);
  return (
    <div className="min-h-0 flex-1 overflow-auto px-3 py-2">
      <p className="mb-2 max-w-[75ch] text-soft">
        Only what changes a computation, a caution or the record is asked. What is not answered keeps its default; the
        mark <span className="font-bold text-good">✓</span> stands by what was answered.
      </p>
      <div className="columns-1 gap-6 lg:columns-2 xl:columns-3">
        {QUESTION_GROUPS.map((group) => (
          <section key={group} className="mb-4" aria-label={group}>
            <h2 className="wide mb-1 border-strong border-b font-bold">{group}</h2>
            <div className="grid gap-2.5">
              {asked
                .filter((id) => questionOf(id).group === group)
                .map((id) => (
                  <QuestionField key={id} id={id} />
                ))}
            </div>
          </section>
        ))}
      </div>
    </div>
  );
}

function QuestionField({ id }: { id: QuestionId }) {
  const job = useSession((session) => session.job);
  const dispatch = useSession((session) => session.dispatch);
  const question = questionOf(id);
  const source = initialSource(job, id);
  const help = `${question.whatFor}${source ? ` Default: ${citeFor(source, job.rules)}.` : ''}`;
  const answered = isAnswered(job, id);
  const label = `${answered ? '✓ ' : ''}${question.words}`;
  const take = (text: string) => dispatch([answerCommand(job, id, text)]);
  const unit =
    question.kind === 'length'
      ? job.units === 'metric'
        ? 'm'
        : 'ft'
      : question.kind === 'number'
        ? question.unit
        : '';
  return (
    <div className="break-inside-avoid">
      {question.kind === 'choice' ? (
        <CommitSelect label={label} value={answerOf(job, id)} options={question.options} help={help} onCommit={take} />
      ) : (
        <CommitField
          label={label}
          {...(unit ? { unit } : {})}
          value={answerText(job, id)}
          help={help}
          onCommit={committing(take)}
          {...(question.kind === 'words' ? {} : { inputMode: 'decimal' as const })}
        />
      )}
    </div>
  );
}
