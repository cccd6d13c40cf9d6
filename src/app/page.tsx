import { JobsAsked } from '@/core/job/jobListing';
import { getJobs, getRemoved } from '@/server/jobs';
import { getStore } from '@/server/store';
import { JobsPage } from '@/ui/jobs/JobsPage';

export const dynamic = 'force-dynamic';

export default async function Page({ searchParams }: { searchParams: Promise<Record<string, unknown>> }) {
  const asked = JobsAsked.parse(await searchParams);
  const store = await getStore();
  const [page, removed] = await Promise.all([getJobs(store, asked), getRemoved(store)]);
  return <JobsPage list={page} words={asked.words} removed={removed} />;
}
