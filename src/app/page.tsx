import { enterPage } from '@/server/pageDoor';
import { JobsRoom } from '@/ui/jobs/JobsRoom';

export const dynamic = 'force-dynamic';

/** The frame of the list, which holds nothing of any job: they are asked for by the first script of the page, and drawn in the browser. */
export default async function Page() {
  await enterPage('list', null, () => null);
  return <JobsRoom />;
}
