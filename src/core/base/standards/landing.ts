import { commonPractice, published } from './source';

export const FITTINGS = ['punch', 'tool-less', 'coupler'] as const;
export type Fitting = (typeof FITTINGS)[number];

/** Minutes to take a run off its port and end it on another, by how it is fitted. Common practice, no source. */
export const relandMinutes: Record<Fitting | 'keystone', number> = {
  punch: 6,
  'tool-less': 3,
  coupler: 0.5,
  /** A jack in a keystone opening is pressed out and in again, whatever it is. */
  keystone: 0.5,
};
export const relandSource = commonPractice;

/** Pairs may be untwisted at most so far where they are ended, millimetres. */
export const untwistMm = { category5eAndUp: 13, category3: 75 } as const;
export const untwistSource = published('ANSI/TIA-568.0: untwist at the termination');
/** Jacket is taken off no farther than the work needs. Common practice, no source. Millimetres. */
export const jacketMm = { least: 25, most: 50 } as const;
/** Ports held by one tie on the strain-relief bar. Common practice, no source. */
export const portsPerTie = 4;
