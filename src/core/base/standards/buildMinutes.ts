import { published } from './source';

/**
 * What the first of its kind takes one person, minutes; later ones go faster by the learning curve. `take` out, `put` in.
 * Rules of thumb, no source: the pace of the job itself corrects them.
 */
export const buildMinutes = {
  records: { take: 0, put: 0 },
  circuit: { take: 0, put: 120 },
  'rack-in': { take: 0, put: 75 },
  'rack-out': { take: 45, put: 0 },
  pull: { take: 0, put: 18 },
  gear: { take: 6, put: 10 },
  /** On top for each unit of height beyond the first, and for each cord that is pulled off and plugged in again. */
  unitMore: { take: 1, put: 1 },
  replug: { take: 0.2, put: 0.5 },
  land: { take: 2, put: 10 },
  relandKeystone: { take: 0.5, put: 0.5 },
  outlet: { take: 0, put: 8 },
  cord: { take: 0.3, put: 1 },
  link: { take: 0.3, put: 1.5 },
  plug: { take: 0.3, put: 1 },
  test: { take: 0, put: 2 },
} as const;

/** A link is up again so long after its cord is in: an edge port, classic spanning tree, a powered access point. Seconds. Common practice, no source. */
export const linkUpS = { edge: 2, spanningTree: 30, accessPoint: 120 } as const;

/** Optimistic and pessimistic against the likely time of a step. Common practice, no source. */
export const timeSpread = { optimistic: 0.7, pessimistic: 2 } as const;
export const threePointSource = published('PERT (1959): three-point estimate');
export const learningSource = published('Crawford: unit time of the learning curve, T_n = T_1 × n^(log2 r)');
