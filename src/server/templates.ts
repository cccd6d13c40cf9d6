import { firmsNews, ownGear } from '../core/exchange/copies/firmsOwn';
import type { TemplateAnswer } from '../core/exchange/wire/newJobs';
import type { Job } from '../core/job/document/job';
import type { Store } from '../store/openStore';
import { firmOfJob, setTemplate, templateOf } from '../store/people';
import { readKept } from './jobs';
import { noJob } from './noJob';

/** The job that new ones start from; null: there is none. */
export const templateFor = (store: Store, firmId: string | null) => templateOf(store.em.fork(), firmId);

/** The firm's template itself; null: there is none. */
export async function templateJob(store: Store, firmId: string | null): Promise<Job | null> {
  const template = await templateFor(store, firmId);
  return template && ((await readKept(store, template.id))?.job ?? null);
}

/** What of the firm's template differs from a job, as commands that would take it over, and gear of its own. */
export async function templateNews(store: Store, jobId: string): Promise<TemplateAnswer> {
  const { job } = (await readKept(store, jobId)) ?? noJob();
  const template = await templateJob(store, (await firmOfJob(store.em.fork(), jobId))?.firmId ?? null);
  if (template === null) return { template: null, name: '', news: [], gear: [] };
  const { id, name } = template;
  return id === jobId
    ? { template: id, name, news: [], gear: [] }
    : { template: id, name, news: firmsNews(job, template), gear: ownGear(template) };
}

export async function makeTemplate(store: Store, jobId: string, is: boolean): Promise<TemplateAnswer> {
  await store.em.fork().transactional((em) => setTemplate(em, jobId, is));
  return templateNews(store, jobId);
}
