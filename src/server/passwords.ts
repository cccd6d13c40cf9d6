import { randomUUID } from 'node:crypto';
import { hash, verify as verifyHash } from '@node-rs/argon2';
import { refuse } from '../core/base/text/refusal';
import { LEAST_STRENGTH, passwordFault, STRENGTH_WORDS } from '../core/trade/people/people';
import type { AccountRow } from '../store/people';
import { strengthOf } from './strength';

/** OWASP Password Storage Cheat Sheet: argon2id with 19 MiB, two rounds, one lane (the package's own algorithm is argon2id). */
const ARGON = { memoryCost: 19 * 1024, timeCost: 2, parallelism: 1 } as const;
export const hashPassword = (password: string): Promise<string> => hash(password.normalize('NFKC'), ARGON);
let nobodys: Promise<string> | null = null;
/** Takes as long for an account that there is not. */
export async function isPassword(account: AccountRow | null, password: string): Promise<boolean> {
  nobodys ??= hashPassword(randomUUID());
  const right = await verifyHash(account?.passwordHash ?? (await nobodys), password.normalize('NFKC'));
  return right && account !== null;
}

/** @throws Refusal where it is guessed too easily */
export function checkedPassword(password: string, names: readonly string[]): string {
  const fault = passwordFault(password, names);
  if (fault !== null) return refuse('weak', fault, 'password');
  const strength = strengthOf(password, names);
  if (strength >= LEAST_STRENGTH) return password;
  const words = 'Take a few words that do not belong together, such as nobody else would choose.';
  return refuse('weak', `${STRENGTH_WORDS[strength]}. ${words}`, 'password');
}
