import { createHash, randomBytes } from 'node:crypto';
import { sealData, unsealData } from 'iron-session';
import type { Role } from '../core/trade/people/people';
import type { Store } from '../store/openStore';
import { enteredBy, seeSignIn } from '../store/people';
import { type Asker, NOBODY } from './can';

/** What a token is known by: of a token itself nothing is kept. */
export const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex');
/** 256 bits by chance: nobody guesses it. */
export const newToken = (): string => randomBytes(32).toString('base64url');

/** Seals cookies and secrets; the same for all processes of one database. */
function secret(): string {
  const given = process.env.SHELF_SECRET ?? '';
  if (given.length < 32) throw new Error('SHELF_SECRET is not set, or shorter than 32 characters: bin/serve sets it.');
  return given;
}
export const seal = (data: object, seconds: number): Promise<string> =>
  sealData(data, { password: secret(), ttl: seconds });
/** What was sealed; empty where it was tampered with, or is over. */
export async function unseal<T extends object>(sealed: string, seconds: number): Promise<Partial<T>> {
  try {
    return await unsealData<Partial<T>>(sealed, { password: secret(), ttl: seconds });
  } catch {
    return {};
  }
}

const COOKIE_SECONDS = 90 * 24 * 3600;
const isSecure = (): boolean => process.env.SHELF_SCHEME === 'https';
/** With this name a browser takes it only over TLS, from this very host. */
const cookieName = (): string => (isSecure() ? '__Host-shelf' : 'shelf');

export async function cookieFor(token: string): Promise<string> {
  const sealed = await seal({ token }, COOKIE_SECONDS);
  return `${cookieName()}=${sealed}; Path=/; HttpOnly; SameSite=Lax; Max-Age=${COOKIE_SECONDS}${isSecure() ? '; Secure' : ''}`;
}
export const noCookie = (): string =>
  `${cookieName()}=; Path=/; HttpOnly; SameSite=Lax; Max-Age=0${isSecure() ? '; Secure' : ''}`;

async function tokenIn(cookie: string | null): Promise<string | null> {
  const start = `${cookieName()}=`;
  const sealed = (cookie ?? '')
    .split(';')
    .map((part) => part.trim())
    .find((part) => part.startsWith(start))
    ?.slice(start.length);
  if (!sealed || sealed.length > 1000) return null;
  const { token } = await unseal<{ token: string }>(sealed, COOKIE_SECONDS);
  return typeof token === 'string' ? token : null;
}

/** Who holds a cookie, and what they are in a job. */
export async function askerOf(
  store: Store,
  cookie: string | null,
  jobId: string | null,
): Promise<{ asker: Asker; role: Role | null; guest: boolean }> {
  const token = await tokenIn(cookie);
  const em = store.em.fork();
  const entered = token === null ? null : await enteredBy(em, hashOf(token), jobId);
  if (!entered) return { asker: NOBODY, role: null, guest: false };
  const { signInId, accountId, name, firmId, role } = entered;
  if (entered.stale) await seeSignIn(em, signInId);
  return {
    asker: { kind: 'member', accountId, signInId, name, proven: entered.proven, firmId, role },
    role: entered.jobRole,
    guest: entered.guest,
  };
}
