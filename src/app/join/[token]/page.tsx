import type { Metadata } from 'next';
import { Refusal } from '@/core/base/text/refusal';
import { enterPage } from '@/server/pageDoor';
import { seePass } from '@/server/passes';
import { JoinForm } from '@/ui/people/JoinForm';
import { LinkOver } from '@/ui/people/LinkOver';

export const metadata: Metadata = { title: 'Join' };
export const dynamic = 'force-dynamic';

export default async function Page({ params }: PageProps<'/join/[token]'>) {
  const { token } = await params;
  const pass = await enterPage('open', null, ({ store }) =>
    seePass(store, token).catch((fault: unknown) => {
      if (fault instanceof Refusal) return null;
      throw fault;
    }),
  );
  if (pass?.kind === 'join') return <JoinForm token={token} firm={pass.firm} madeBy={pass.madeBy} />;
  return <LinkOver />;
}
