import { getJobs } from '@/server/jobs';
import { getStore } from '@/server/store';
import { JobsPage } from '@/ui/jobs/JobsPage';

export const dynamic = 'force-dynamic';

export default async function Page() {
  return <JobsPage jobs={await getJobs(await getStore())} />;
}
