import { headers } from 'next/headers';
import { enterPage } from '@/server/pageDoor';
import { EARLY_LIST } from '@/ui/jobs/earlyList';
import { JobsRoom } from '@/ui/jobs/JobsRoom';

export const dynamic = 'force-dynamic';

/** The frame of the list, which holds nothing of any job: they are asked for by its first line, and drawn in the browser. */
export default async function Page() {
  await enterPage('list', null, () => null);
  const nonce = (await headers()).get('x-nonce') ?? '';
  return (
    <>
      <script
        nonce={nonce}
        suppressHydrationWarning
        // biome-ignore lint/security/noDangerouslySetInnerHtml: our own constant
        dangerouslySetInnerHTML={{ __html: EARLY_LIST }}
      />
      <JobsRoom />
    </>
  );
}
