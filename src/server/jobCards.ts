import type { EntityManager } from '@mikro-orm/postgresql';
import { LRUCache } from 'lru-cache';
import { jobCard } from '../core/findings/stations/jobCard';
import { patchCordsOf } from '../core/job/document/cordKinds';
import { emptyJob, type Job } from '../core/job/document/job';
import { headOf } from '../core/job/document/jobHead';
import type { JobCard, ListedJob } from '../core/job/document/jobListing';
import { sameTokens } from '../core/job/document/reads';
import { CABINET_TABLES, type Cabinet, readCabinets } from '../store/jobStore';
import type { Store } from '../store/openStore';
import { keptAt } from './keptJobs';

/** A few pages of every firm. */
const MOST_CARDS = 4000;

type Cards = LRUCache<string, JobCard>;
// On the global object, since routes may be bundled apart.
const home = globalThis as typeof globalThis & { goodShelfCards?: WeakMap<Store, Cards> };
home.goodShelfCards ??= new WeakMap();
const stores = home.goodShelfCards;

function cardsOf(store: Store): Cards {
  const known = stores.get(store) ?? new LRUCache<string, JobCard>({ max: MOST_CARDS });
  stores.set(store, known);
  return known;
}

/** The same of a job that is in memory as it stands. */
function inMemory(store: Store, head: ListedJob): Cabinet | null {
  const kept = keptAt(store, head);
  if (!kept) return null;
  const { job } = kept;
  const cabinet = { ...emptyJob(headOf(head)) };
  for (const table of CABINET_TABLES) Object.assign(cabinet, { [table]: job[table] });
  const count = (rows: object) => Object.keys(rows).length;
  return { cabinet, runs: count(job.runs), landed: count(job.landings), patched: count(patchCordsOf(job)) };
}

type Card = ReturnType<typeof jobCard>;
/** By the gear of a version of a job, with what else it was made of. */
const made = new WeakMap<Job['gear'], { of: readonly unknown[]; card: Card }>();

/** Edits of runs leave it as it was. */
function cardOf(cabinet: Job): Card {
  const of = [...CABINET_TABLES.map((table) => cabinet[table]), cabinet.rules, cabinet.units];
  const there = made.get(cabinet.gear);
  if (there && sameTokens(there.of, of)) return there.card;
  const card = jobCard(cabinet);
  if (Object.isFrozen(cabinet.gear)) made.set(cabinet.gear, { of, card });
  return card;
}

/**
 * What the list shows of jobs, in their order. A card is kept for one revision of one history; of those that are not
 * there, what is not in memory is read in one question.
 */
export async function jobCards(store: Store, em: EntityManager, jobs: readonly ListedJob[]): Promise<JobCard[]> {
  const cards = cardsOf(store);
  const keyOf = ({ id, history, revision, tip }: ListedJob) => `${id} ${history} ${revision} ${tip}`;
  const unknown = jobs.filter((job) => !cards.has(keyOf(job)));
  const here = unknown.map((job) => inMemory(store, job));
  const away = unknown.filter((_, at) => here[at] === null);
  const read = away.length === 0 ? [] : await readCabinets(em, away);
  const found = [...here.filter((one) => one !== null), ...read];
  const fresh = new Map(found.map(({ cabinet, ...counts }) => [cabinet.id, { ...cardOf(cabinet), ...counts }]));
  return jobs.flatMap((job) => {
    const card = fresh.get(job.id) ?? cards.get(keyOf(job));
    if (!card) return [];
    cards.set(keyOf(job), card);
    return [card];
  });
}
