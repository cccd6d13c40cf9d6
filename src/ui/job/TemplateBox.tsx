import { useEffect, useState } from 'react';
import { toast } from 'sonner';
import { TemplateAnswer } from '@/core/wire/wire';
import { Button } from '../kit/Button';
import { useSession, useSessionStore } from './session';
import { askServer } from './wireClient';

/** Whether new jobs start from this one; and what the one they start from has otherwise, to be taken over or not. */
export function TemplateBox() {
  const jobId = useSession((session) => session.job.id);
  const session = useSessionStore();
  const [answer, setAnswer] = useState<TemplateAnswer | null>(null);
  const url = `/api/jobs/${jobId}/template`;
  useEffect(() => {
    let here = true;
    // Without the network, and for those who may not change it, there is nothing to offer.
    askServer(url, TemplateAnswer).then(
      (next) => here && setAnswer(next),
      () => undefined,
    );
    return () => {
      here = false;
    };
  }, [url]);
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
      {answer.news.map(({ words, commands }) => (
        <div key={words} className="flex flex-wrap items-center gap-2">
          <span className="min-w-0 flex-1">{words} are otherwise there.</span>
          <Button
            onClick={() => {
              if (!session.getState().dispatch(commands)) return;
              setAnswer({ ...answer, news: answer.news.filter((one) => one.words !== words) });
              toast.success(`${words}: taken over.`);
            }}
          >
            Take them over
          </Button>
        </div>
      ))}
    </section>
  );
}
