'use client';

import { FaultPage } from '@/ui/kit/FaultPage';

export default function Fault(fault: { error: Error & { digest?: string }; reset: () => void }) {
  return (
    <FaultPage
      title="The on-site view could not be opened"
      words="Nothing is lost: test results, ticks, notes and photographs that were not sent yet are kept on this device."
      out={{ href: '/rack', words: 'Jobs on this device' }}
      {...fault}
    />
  );
}
