import { JobsAsked } from '@/core/job/jobListing';
import { can } from '@/server/can';
import { getJobs, getRemoved, scopeOf } from '@/server/jobs';
import { enterPage } from '@/server/pageDoor';
import { JobsPage } from '@/ui/jobs/JobsPage';

export const dynamic = 'force-dynamic';

export default async function Page({ searchParams }: { searchParams: Promise<Record<string, unknown>> }) {
  const { store, asker } = await enterPage('list');
  const asked = JobsAsked.parse(await searchParams);
  const scope = scopeOf(asker);
  const [page, removed] = await Promise.all([getJobs(store, asked, scope), getRemoved(store, scope)]);
  const me = asker.kind === 'member' ? { name: asker.name, owner: can(asker, 'firm') } : null;
  return <JobsPage list={page} asked={asked} removed={removed} me={me} mayStart={can(asker, 'start')} />;
}
