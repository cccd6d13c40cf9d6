import { SignedOut } from '@/core/trade/people/people';
import { steppedOut } from '../session/outbox';
import { askServer } from '../session/wireClient';

/** Sign out, and wipe what this device kept. @returns what still waits, where that would be lost; nothing is done then */
export async function signOutHere(evenThough = false): Promise<number> {
  const waiting = evenThough ? 0 : await steppedOut.waiting();
  if (waiting > 0) return waiting;
  await askServer('/api/sign-out', SignedOut, { method: 'POST', body: {} });
  await steppedOut.wipe();
  window.location.assign('/sign-in');
  return 0;
}
