import type { Metadata } from 'next';
import { firmOf } from '@/server/accounts';
import { memberOf } from '@/server/member';
import { enterPage } from '@/server/pageDoor';
import { FirmPage } from '@/ui/people/FirmPage';

export const metadata: Metadata = { title: 'The firm' };
export const dynamic = 'force-dynamic';

export default async function Page() {
  const { firm, me } = await enterPage('firm', null, async ({ store, asker }) => {
    const member = memberOf(asker);
    return { firm: await firmOf(store, member), me: member.accountId };
  });
  return <FirmPage given={firm} me={me} />;
}
