import { z } from 'zod';
import { Command } from '../../job/commands/commands';
import { NewJob } from '../../job/commands/newJob';
import { Gear } from '../../job/records/gear';

/** A new job from one that is there: its whole plan, or its cabinet only. */
export const CopyJob = z.strictObject({ name: NewJob.shape.name, whole: z.boolean() });

/** New jobs start from this one, or do not. */
export const NewTemplate = z.strictObject({ is: z.boolean() });
/**
 * Id and name of the job that new ones start from, what it has otherwise than this one, and its gear: nothing is taken over
 * unasked.
 */
export const TemplateAnswer = z.object({
  template: z.string().nullable(),
  name: z.string(),
  news: z.array(z.object({ words: z.string(), commands: z.array(Command), lines: z.array(z.string()) })),
  gear: z.array(Gear.omit({ id: true })),
});
export type TemplateAnswer = z.infer<typeof TemplateAnswer>;
