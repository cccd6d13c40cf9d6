import { refuse } from '../core/base/text/refusal';
import type { Member } from './accounts';
import type { Asker } from './can';
import { addressOf } from './limits';

/** One who signed in. @throws Refusal for anybody else */
export const memberOf = (asker: Asker): Member =>
  asker.kind === 'member' ? asker : refuse('signed-out', 'Sign in first.');

const SYSTEMS: [RegExp, string][] = [
  [/iPhone|iPad/, 'a telephone or tablet (iOS)'],
  [/Android/, 'a telephone or tablet (Android)'],
  [/Windows/, 'a computer (Windows)'],
  [/Mac OS/, 'a computer (macOS)'],
  [/Linux/, 'a computer (Linux)'],
];

/** Where somebody signs in from, and on what, in a word that they know it by. */
export function deviceOf(request: Request): { address: string; device: string } {
  const agent = request.headers.get('user-agent') ?? '';
  return { address: addressOf(request), device: SYSTEMS.find(([like]) => like.test(agent))?.[1] ?? 'a device' };
}
