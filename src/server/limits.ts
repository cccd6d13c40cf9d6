import { RateLimiterMemory, RateLimiterPostgres, RateLimiterRes } from 'rate-limiter-flexible';
import type { Store } from '../store/openStore';
import type { Asker } from './can';
import { Later } from './later';

/*
 * Limits on tries stand in the database, so that all processes share them; limits on requests are of each process, since
 * a question of the database for each would cost more than it saves.
 */

const MINUTE = 60;

/** Requests a minute for each actor, and what takes long of them. */
const plain = new RateLimiterMemory({ points: 1800, duration: MINUTE });
const heavy = new RateLimiterMemory({ points: 60, duration: MINUTE });
/** What is planned, drawn or read at length. */
const HEAVY = /\/(archive$|files\/|compared|file$|switch$|simulated$|copy$)/;

/** Whose a request is: an account's, a link's, or an address's. */
export const actorOf = (asker: Asker, request: Request): string =>
  asker.kind === 'member' ? asker.accountId : asker.kind === 'link' ? asker.linkId : addressOf(request);

/** Where a request comes from, as the server that took it in says; nobody else can say it. */
export const addressOf = (request: Request): string => request.headers.get('x-shelf-address') ?? 'here';

/** Count a request. @throws Refusal `too-many` */
export async function counted(asker: Asker, request: Request): Promise<void> {
  if (asker.kind === 'machine') return;
  const who = actorOf(asker, request);
  const { pathname } = new URL(request.url);
  try {
    await plain.consume(who);
    if (HEAVY.test(pathname)) await heavy.consume(who);
  } catch (fault) {
    tooMany(fault);
  }
}

/** Windows of one person that listen at the same time, in one process. */
const MOST_STREAMS = 40;
const STREAM_S = 30;
const streams = new Map<string, number>();

/** Count a stream of events. @returns the function that says that it ended @throws Refusal `too-many` */
export function oneMoreStream(asker: Asker, request: Request): () => void {
  if (asker.kind === 'machine') return () => {};
  const who = actorOf(asker, request);
  const open = streams.get(who) ?? 0;
  if (open >= MOST_STREAMS)
    throw new Later('too-many', `You have ${open} windows open. Close some and reload.`, STREAM_S);
  streams.set(who, open + 1);
  let ended = false;
  return () => {
    if (ended) return;
    ended = true;
    const left = (streams.get(who) ?? 1) - 1;
    if (left > 0) streams.set(who, left);
    else streams.delete(who);
  };
}

function tooMany(fault: unknown): never {
  if (!(fault instanceof RateLimiterRes)) throw fault;
  const seconds = Math.max(1, Math.ceil(fault.msBeforeNext / 1000));
  const when = seconds < 120 ? `${seconds} s` : `${Math.ceil(seconds / 60)} minutes`;
  throw new Later('too-many', `Too many tries: wait ${when}.`, seconds);
}

/** Kinds of tries: how many, in how long, seconds. */
const TRIES = {
  /** Wrong passwords and codes from one address, for whatever account. */
  address: { points: 30, duration: 15 * MINUTE },
  /** Wrong ones of one account from one address: nobody else can lock its owner out. */
  pair: { points: 8, duration: 15 * MINUTE },
  /** Wrong ones of one account from everywhere. */
  login: { points: 100, duration: 24 * 60 * MINUTE },
  /** Links that there are not. */
  link: { points: 30, duration: 15 * MINUTE },
} as const;
type Kind = keyof typeof TRIES;

const home = globalThis as typeof globalThis & { goodShelfTries?: WeakMap<Store, Record<string, RateLimiterPostgres>> };
home.goodShelfTries ??= new WeakMap();
const stores = home.goodShelfTries;

function limiter(store: Store, kind: Kind): RateLimiterPostgres {
  const known = stores.get(store) ?? {};
  stores.set(store, known);
  known[kind] ??= new RateLimiterPostgres({
    storeClient: store.em.getKnex(),
    storeType: 'knex',
    tableName: 'tries',
    tableCreated: true,
    keyPrefix: kind,
    clearExpiredByTimeout: false,
    ...TRIES[kind],
  });
  return known[kind];
}

/** Count a try before it is looked at. @throws Refusal where there were too many wrong ones */
export async function countTry(store: Store, kind: Kind, key: string): Promise<void> {
  try {
    await limiter(store, kind).consume(key);
  } catch (fault) {
    tooMany(fault);
  }
}
/** A try that was counted was no wrong one. */
export const giveBack = async (store: Store, kind: Kind, key: string): Promise<void> =>
  void (await limiter(store, kind).reward(key));
/** After a right one: those before it are forgotten. */
export const forgiveTries = async (store: Store, kind: Kind, key: string): Promise<void> =>
  void (await limiter(store, kind).delete(key));

/** Before a link is looked up, which nobody guesses: only wrong ones are counted. @throws Refusal */
export async function mayTry(store: Store, kind: 'link', key: string): Promise<void> {
  const state = await limiter(store, kind).get(key);
  if (state && state.consumedPoints >= TRIES[kind].points) tooMany(state);
}
export const wrongTry = (store: Store, kind: 'link', key: string): Promise<void> =>
  countTry(store, kind, key).catch(() => undefined);
