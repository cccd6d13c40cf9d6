import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { cache } from 'react';
import { can, mayIn } from '@/server/can';
import { jobName } from '@/server/jobs';
import { enterPage } from '@/server/pageDoor';
import { JobRoom } from '@/ui/shell/JobRoom';

export const dynamic = 'force-dynamic';

const entered = cache((id: string) =>
  enterPage('read', id, async ({ store, asker, job }) => {
    const name = await jobName(store, id);
    const who = asker.kind === 'member' ? { id: asker.accountId, name: asker.name } : null;
    return { name, me: who && { ...who, may: mayIn(asker, job), shares: can(asker, 'share', job) } };
  }),
);

export async function generateMetadata({ params }: LayoutProps<'/jobs/[id]'>): Promise<Metadata> {
  return { title: (await entered((await params).id)).name ?? 'No such job' };
}

/** The frame of a job: what is in it is fetched and drawn in the browser, once. */
export default async function Layout({ children, params }: LayoutProps<'/jobs/[id]'>) {
  const { id } = await params;
  const { name, me } = await entered(id);
  if (name === null) notFound();
  return (
    <>
      <JobRoom jobId={id} me={me} />
      {children}
    </>
  );
}
