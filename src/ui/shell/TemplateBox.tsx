import { counted } from '@/core/base/text/counted';
import { TemplateAnswer } from '@/core/exchange/wire/newJobs';
import { Button } from '../kit/Button';
import { useSession, useSessionStore } from '../session/session';
import { useTemplate } from '../session/template';
import { toast } from '../session/toast';
import { askServer } from '../session/wireClient';

/** So many differences are listed, the rest counted. */
const SHOWN = 12;

/** Whether new jobs start from this one; and what the one they start from has otherwise, to be taken over or not. */
export function TemplateBox() {
  const jobId = useSession((session) => session.job.id);
  const session = useSessionStore();
  const { url, template: answer, setTemplate: setAnswer } = useTemplate();
  if (!answer) return null;
  const turn = (is: boolean) =>
    askServer(url, TemplateAnswer, { method: 'POST', body: { is } }).then(setAnswer, (fault: Error) =>
      toast.error(fault.message),
    );
  return (
    <section aria-label="Template" className="mt-5 grid gap-2 border-t pt-3">
      <label className="flex min-h-8 items-center gap-2 max-sm:min-h-11">
        <input
          type="checkbox"
          checked={answer.template === jobId}
          onChange={(event) => void turn(event.target.checked)}
          className="size-4 accent-act"
        />
        New jobs can start from this one
      </label>
      {answer.template !== null && answer.template !== jobId && (
        <p className="text-soft">
          The template is {answer.name}.{answer.news.length === 0 && ' What it sets for every job is so here too.'}
        </p>
      )}
      {answer.news.map(({ words, commands, lines }) => (
        <div key={words} className="flex flex-wrap items-start gap-2">
          <details className="min-w-0 flex-1">
            <summary className="min-h-8 cursor-pointer py-1 max-sm:min-h-11">
              {words}: otherwise in {counted(lines.length, 'point')}
            </summary>
            <ul className="mb-1 grid gap-0.5 pl-4 text-[13px]">
              {lines.slice(0, SHOWN).map((line) => (
                <li key={line} className="break-words">
                  {line}
                </li>
              ))}
              {lines.length > SHOWN && <li>and {lines.length - SHOWN} more</li>}
            </ul>
          </details>
          <Button
            aria-label={`Take over: ${words}`}
            onClick={() => {
              if (!session.getState().dispatch(commands)) return;
              setAnswer({ ...answer, news: answer.news.filter((one) => one.words !== words) });
              toast.success(`${words}: taken over.`);
            }}
          >
            Take over
          </Button>
        </div>
      ))}
    </section>
  );
}
