'use client';

import { FaultPage } from '@/ui/kit/FaultPage';
import './globals.css';

/** The last one: the frame of all pages itself could not be drawn. */
export default function Fault(fault: { error: Error & { digest?: string }; reset: () => void }) {
  return (
    <html lang="en">
      <body>
        <FaultPage
          title="Good Shelf could not be opened"
          words="Nothing is lost: what was saved is on the server, and changes that were not sent yet are kept on this device."
          out={{ href: '/', words: 'List of jobs' }}
          {...fault}
        />
      </body>
    </html>
  );
}
