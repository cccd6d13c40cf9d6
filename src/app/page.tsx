import { getJobs } from '@/server/jobs';
import { getStore } from '@/server/store';
import { JobsPage } from '@/ui/jobs/JobsPage';

export const dynamic = 'force-dynamic';

export default async function Page() {
  const store = await getStore();
  const [jobs, removed] = await Promise.all([getJobs(store), getJobs(store, true)]);
  return <JobsPage jobs={jobs} removed={removed.map(({ id, name, updatedAt }) => ({ id, name, updatedAt }))} />;
}
