import type { Metadata } from 'next';
import { Refusal } from '@/core/base/text/refusal';
import { enterPage } from '@/server/pageDoor';
import { seePass } from '@/server/passes';
import { LinkOver } from '@/ui/people/LinkOver';
import { ResetForm } from '@/ui/people/ResetForm';

export const metadata: Metadata = { title: 'A new password' };
export const dynamic = 'force-dynamic';

export default async function Page({ params }: PageProps<'/reset/[token]'>) {
  const { token } = await params;
  const pass = await enterPage('open', null, ({ store }) =>
    seePass(store, token).catch((fault: unknown) => {
      if (fault instanceof Refusal) return null;
      throw fault;
    }),
  );
  if (pass?.kind === 'reset') return <ResetForm token={token} login={pass.login} madeBy={pass.madeBy} />;
  return <LinkOver />;
}
