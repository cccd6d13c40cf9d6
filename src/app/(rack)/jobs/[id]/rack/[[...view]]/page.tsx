import type { Metadata } from 'next';
import { RackRoom } from '@/ui/rack/RackRoom';

export const metadata: Metadata = { title: 'At the rack' };
export const dynamic = 'force-dynamic';

/** The same page for every job: which one it is, only the browser knows. */
export default function Page() {
  return <RackRoom />;
}
