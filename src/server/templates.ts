import { templateCommands } from '../core/commands/partOfJob';
import type { TemplateAnswer } from '../core/wire/wire';
import type { Store } from '../store/openStore';
import { firmOfJob, setTemplate, templateOf } from '../store/people';
import { readKept } from './jobs';
import { noJob } from './noJob';

/** The job that new ones start from; null: there is none. */
export const templateFor = (store: Store, firmId: string | null) => templateOf(store.em.fork(), firmId);

/** What of the firm's template differs from a job, as commands that would take it over. */
export async function templateNews(store: Store, jobId: string): Promise<TemplateAnswer> {
  const { job } = (await readKept(store, jobId)) ?? noJob();
  const em = store.em.fork();
  const template = await templateOf(em, (await firmOfJob(em, jobId))?.firmId ?? null);
  if (!template || template.id === jobId)
    return { template: template?.id ?? null, name: template?.name ?? '', news: [] };
  const kept = await readKept(store, template.id);
  return { template: template.id, name: template.name, news: kept ? templateCommands(job, kept.job) : [] };
}

export async function makeTemplate(store: Store, jobId: string, is: boolean): Promise<TemplateAnswer> {
  await store.em.fork().transactional((em) => setTemplate(em, jobId, is));
  return templateNews(store, jobId);
}
