import { useRouter } from 'next/navigation';
import { type FormEvent, useState } from 'react';
import { Created } from '@/core/exchange/wire/jobList';
import type { JobListing } from '@/core/job/document/jobListing';
import { Button } from '../kit/Button';
import { Field, Input } from '../kit/Field';
import { Sheet } from '../kit/Sheet';
import { askServer } from '../session/wireClient';

/** A new job from one that is there. */
export function CopySheet({ job, onClose }: { job: JobListing; onClose: () => void }) {
  const router = useRouter();
  const [wrong, setWrong] = useState<string | null>(null);
  const copy = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    const body = { name: String(form.get('name')), whole: form.get('what') === 'whole' };
    try {
      const { id } = await askServer(`/api/jobs/${job.id}/copy`, Created, { method: 'POST', body });
      router.push(`/jobs/${id}/runs`);
    } catch (fault) {
      setWrong((fault as Error).message);
    }
  };
  return (
    <Sheet
      open
      onClose={onClose}
      title={`A new job from ${job.name}`}
      about="What was ticked, tested, found and agreed stays behind."
    >
      <form onSubmit={(event) => void copy(event)} className="grid gap-4">
        <Field label="Name of the new job">
          {(ids) => (
            <Input {...ids} name="name" required maxLength={80} defaultValue={`${job.name}, copy`.slice(0, 80)} />
          )}
        </Field>
        <fieldset className="grid gap-2">
          <legend className="font-semibold">What it takes over</legend>
          <label className="flex min-h-8 items-center gap-2 max-sm:min-h-11">
            <input type="radio" name="what" value="whole" defaultChecked className="size-4 accent-act" /> The whole plan
          </label>
          <label className="flex min-h-8 items-center gap-2 max-sm:min-h-11">
            <input type="radio" name="what" value="cabinet" className="size-4 accent-act" /> As a template: cabinet,
            gear, networks, kinds of cable, testers, prices and ways of working, without runs and rooms
          </label>
        </fieldset>
        {wrong && (
          <p role="alert" className="font-semibold text-wont">
            {wrong}
          </p>
        )}
        <div>
          <Button look="main" type="submit">
            Make it
          </Button>
        </div>
      </form>
    </Sheet>
  );
}
