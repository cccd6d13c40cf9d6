import type { EntityManager } from '@mikro-orm/postgresql';
import { LRUCache } from 'lru-cache';
import type { JobCard, ListedJob } from '../core/job/jobListing';
import { jobCard } from '../core/stations/jobCard';
import { readCabinets } from '../store/jobStore';
import type { Store } from '../store/openStore';

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

/**
 * What the list shows of jobs, in their order. A card is kept for one revision of one history, and for one day; those that are
 * not there are read in one question.
 */
export async function jobCards(
  store: Store,
  em: EntityManager,
  jobs: readonly ListedJob[],
  today: string,
): Promise<JobCard[]> {
  const cards = cardsOf(store);
  const keyOf = ({ id, history, revision }: ListedJob) => `${id} ${history} ${revision} ${today}`;
  const unknown = jobs.filter((job) => !cards.has(keyOf(job)));
  const read = unknown.length === 0 ? [] : await readCabinets(em, unknown);
  const fresh = new Map(read.map(({ cabinet, ...counts }) => [cabinet.id, { ...jobCard(cabinet, today), ...counts }]));
  return jobs.flatMap((job) => {
    const card = fresh.get(job.id) ?? cards.get(keyOf(job));
    if (!card) return [];
    cards.set(keyOf(job), card);
    return [card];
  });
}
