import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { cache } from 'react';
import { openJob } from '@/server/jobs';
import { getStore } from '@/server/store';
import { JobRoom } from '@/ui/job/JobRoom';

export const dynamic = 'force-dynamic';

const open = cache(async (id: string) => openJob(await getStore(), id));

export async function generateMetadata({ params }: LayoutProps<'/jobs/[id]'>): Promise<Metadata> {
  return { title: (await open((await params).id))?.job.name ?? 'No such job' };
}

export default async function Layout({ children, params }: LayoutProps<'/jobs/[id]'>) {
  const opened = await open((await params).id);
  if (!opened) notFound();
  return <JobRoom opened={opened}>{children}</JobRoom>;
}
