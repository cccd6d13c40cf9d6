import type { Metadata } from 'next';
import { Refusal } from '@/core/text/refusal';
import { enterPage } from '@/server/pageDoor';
import { seePass } from '@/server/passes';
import { JoinForm } from '@/ui/people/JoinForm';
import { LinkOver } from '@/ui/people/LinkOver';

export const metadata: Metadata = { title: 'Join' };
export const dynamic = 'force-dynamic';

export default async function Page({ params }: PageProps<'/join/[token]'>) {
  const { token } = await params;
  const { store } = await enterPage('open');
  try {
    const { kind, firm, madeBy } = await seePass(store, token);
    if (kind === 'join') return <JoinForm token={token} firm={firm} madeBy={madeBy} />;
  } catch (fault) {
    if (!(fault instanceof Refusal)) throw fault;
  }
  return <LinkOver />;
}
