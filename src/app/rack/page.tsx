import type { Metadata } from 'next';
import { RackRoom } from '@/ui/rack/RackRoom';

export const metadata: Metadata = { title: 'At the rack' };
export const dynamic = 'force-dynamic';

/** Nothing of any job is in it: what is shown comes in the browser, from the server or from what is kept there. */
export default function Page() {
  return <RackRoom />;
}
