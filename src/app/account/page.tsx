import type { Metadata } from 'next';
import { meOf } from '@/server/accounts';
import { memberOf } from '@/server/member';
import { enterPage } from '@/server/pageDoor';
import { AccountPage } from '@/ui/people/AccountPage';

export const metadata: Metadata = { title: 'Your account' };
export const dynamic = 'force-dynamic';

export default async function Page() {
  const me = await enterPage('me', null, ({ store, asker }) => meOf(store, memberOf(asker)));
  return <AccountPage given={me} />;
}
