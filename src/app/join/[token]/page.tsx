import type { Metadata } from 'next';
import { Refusal } from '@/core/text/refusal';
import { seePass } from '@/server/accounts';
import { enterPage } from '@/server/pageDoor';
import { JoinForm } from '@/ui/people/JoinForm';
import { LinkOver } from '@/ui/people/LinkOver';

export const metadata: Metadata = { title: 'Join' };
export const dynamic = 'force-dynamic';

export default async function Page({ params }: PageProps<'/join/[token]'>) {
  const { token } = await params;
  const { store } = await enterPage('open');
  try {
    const { kind, firm } = await seePass(store, token);
    if (kind === 'join') return <JoinForm token={token} firm={firm} />;
  } catch (fault) {
    if (!(fault instanceof Refusal)) throw fault;
  }
  return <LinkOver />;
}
