'use client';

import { FaultPage } from '@/ui/kit/FaultPage';

/** Also for what fails in the frame of a job, which its own folder could not catch. */
export default function Fault(fault: { error: Error & { digest?: string }; reset: () => void }) {
  return (
    <FaultPage
      title="This job could not be opened"
      words="Nothing is lost: what was saved is on the server, and changes that were not sent yet are kept on this device."
      out={{ href: '/', words: 'List of jobs' }}
      {...fault}
    />
  );
}
