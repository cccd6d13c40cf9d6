import type { Metadata } from 'next';
import { enterPage } from '@/server/pageDoor';
import { NewJobForm } from '@/ui/jobs/NewJobForm';

export const metadata: Metadata = { title: 'New job' };
export const dynamic = 'force-dynamic';

export default async function Page() {
  await enterPage('start');
  return <NewJobForm />;
}
