import type { Metadata } from 'next';
import { headers } from 'next/headers';
import { notFound } from 'next/navigation';
import { cache } from 'react';
import { jobName } from '@/server/jobs';
import { getStore } from '@/server/store';
import { earlyScript } from '@/ui/job/earlyScript';
import { JobRoom } from '@/ui/job/JobRoom';

export const dynamic = 'force-dynamic';

const nameOf = cache(async (id: string) => jobName(await getStore(), id));

export async function generateMetadata({ params }: LayoutProps<'/jobs/[id]'>): Promise<Metadata> {
  return { title: (await nameOf((await params).id)) ?? 'No such job' };
}

/** The frame of a job: what is in it is fetched and drawn in the browser, once. */
export default async function Layout({ children, params }: LayoutProps<'/jobs/[id]'>) {
  const { id } = await params;
  if ((await nameOf(id)) === null) notFound();
  const nonce = (await headers()).get('x-nonce') ?? '';
  return (
    <>
      {/^[\w-]+$/.test(id) && (
        <script
          nonce={nonce}
          suppressHydrationWarning
          // biome-ignore lint/security/noDangerouslySetInnerHtml: our own line, with an id of letters and digits
          dangerouslySetInnerHTML={{ __html: earlyScript(id) }}
        />
      )}
      <JobRoom jobId={id} />
      {children}
    </>
  );
}
