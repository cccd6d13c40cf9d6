import type { Metadata } from 'next';
import { firmFor } from '@/server/jobs';
import { enterPage } from '@/server/pageDoor';
import { templateFor } from '@/server/templates';
import { NewJobForm } from '@/ui/jobs/NewJobForm';

export const metadata: Metadata = { title: 'New job' };
export const dynamic = 'force-dynamic';

export default async function Page() {
  const template = await enterPage('start', null, ({ store, asker }) => templateFor(store, firmFor(asker)));
  return <NewJobForm template={template} />;
}
