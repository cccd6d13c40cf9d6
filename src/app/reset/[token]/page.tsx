import type { Metadata } from 'next';
import { Refusal } from '@/core/text/refusal';
import { enterPage } from '@/server/pageDoor';
import { seePass } from '@/server/passes';
import { LinkOver } from '@/ui/people/LinkOver';
import { ResetForm } from '@/ui/people/ResetForm';

export const metadata: Metadata = { title: 'A new password' };
export const dynamic = 'force-dynamic';

export default async function Page({ params }: PageProps<'/reset/[token]'>) {
  const { token } = await params;
  const { store } = await enterPage('open');
  try {
    const { kind, login, madeBy } = await seePass(store, token);
    if (kind === 'reset') return <ResetForm token={token} login={login} madeBy={madeBy} />;
  } catch (fault) {
    if (!(fault instanceof Refusal)) throw fault;
  }
  return <LinkOver />;
}
