'use client';

import { FaultPage } from '@/ui/kit/FaultPage';

export default function Fault(fault: { error: Error & { digest?: string }; reset: () => void }) {
  return (
    <FaultPage
      title="This page could not be opened"
      words="Nothing that was saved is lost. If it happens again, check that the database is running."
      out={{ href: '/', words: 'List of jobs' }}
      {...fault}
    />
  );
}
