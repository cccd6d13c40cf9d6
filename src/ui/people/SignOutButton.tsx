'use client';

import { useState } from 'react';
import { counted } from '@/core/base/text/counted';
import { Button } from '../kit/Button';
import { toast } from '../session/toast';
import { signOutHere } from './signOutHere';

/** Sign out of this device; what waits here for the network is not thrown away unasked. */
export function SignOutButton() {
  const [waiting, setWaiting] = useState(0);
  const out = (evenThough: boolean) =>
    signOutHere(evenThough).then(setWaiting, (fault: Error) =>
      toast.error(`${fault.message} You are still signed in.`),
    );
  return (
    <span className="inline-flex flex-wrap items-center gap-2">
      {waiting > 0 && (
        <span role="alert" className="font-semibold text-wont">
          {counted(waiting, 'step')} of yours did not reach the server yet and would be lost.
        </span>
      )}
      <Button onClick={() => void out(waiting > 0)}>{waiting > 0 ? 'Sign out all the same' : 'Sign out'}</Button>
    </span>
  );
}
