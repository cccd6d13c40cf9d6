import type { Metadata } from 'next';
import { meOf } from '@/server/accounts';
import { memberOf } from '@/server/member';
import { enterPage } from '@/server/pageDoor';
import { AccountPage } from '@/ui/people/AccountPage';

export const metadata: Metadata = { title: 'Your account' };
export const dynamic = 'force-dynamic';

export default async function Page() {
  const { store, asker } = await enterPage('me');
  return <AccountPage given={await meOf(store, memberOf(asker))} />;
}
