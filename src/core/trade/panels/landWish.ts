import type { Job } from '../../job/document/job';
import { answerOf, figureOf } from '../survey/answers/answers';

export const LAND_ORDERS = ['label', 'room', 'plate', 'bundle'] as const;
export type LandOrder = (typeof LAND_ORDERS)[number];

export type LandWish = {
  order: LandOrder;
  /** Outdoor runs on panels of their own. */
  apart: boolean;
  /** Ports left free behind each room. */
  spares: number;
  /** Runs that are landed already may move. */
  anew: boolean;
  only?: ReadonlySet<string>;
};

/** The wish as the job's answers say it, with what is asked for this once. */
export function landWishOf(job: Job, once: Partial<LandWish> = {}): LandWish {
  return {
    order: answerOf(job, 'land-order') as LandOrder,
    apart: answerOf(job, 'land-apart') === 'yes',
    spares: Math.round(figureOf(job, 'land-spares')),
    anew: false,
    ...once,
  };
}

export const landOrders: Record<LandOrder, { name: string; for: string; against: string }> = {
  label: {
    name: 'By label',
    for: 'Who knows the label finds the port: the panel counts as the labels do.',
    against: 'Labels that jump between rooms mix the rooms on the panel.',
  },
  room: {
    name: 'By floor and room',
    for: 'A room is one block of ports, with its spares beside it.',
    against: 'Numbers on the panel follow the rooms, not the labels.',
  },
  plate: {
    name: 'Same number as the wall plate',
    for: 'Plate 12 is port 12: no list is needed.',
    against: 'Only where plates are numbered, and gaps in the numbers are gaps on the panel.',
  },
  bundle: {
    name: 'By bundle',
    for: 'Bundles go straight to their stretch of ports without crossing.',
    against: 'The panel follows how the cables were pulled, which nobody sees later.',
  },
};
