import { z } from 'zod';
import { Id, line } from './fields';
import { isQuestion, questionOf } from './questions';
import { defineTable } from './table';

/** What was answered to a question of the survey, or set instead of a default. Its id is the question's. */
export const Answer = z
  .strictObject({
    id: Id,
    value: line(200),
    note: line(300).default('').describe('why, or where it was seen'),
  })
  .meta({ id: 'Answer' });
export type Answer = z.infer<typeof Answer>;

export const answers = defineTable({
  name: 'answers',
  about: 'plan',
  private: false,
  stations: ['survey'],
  row: 'answer',
  one: 'answer',
  atMost: 500,
  schema: Answer,
  title: ({ id }) => (isQuestion(id) ? `to “${questionOf(id).words}”` : id),
});
