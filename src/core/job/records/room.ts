import { z } from 'zod';
import { Id, line, name, whole } from './fields';

const MOST_MM = 500_000;

/** A room as a rectangle on the plan of its floor, mm from the plan's upper left corner. Goes with its floor. */
export const Room = z
  .strictObject({
    id: Id,
    floorId: Id,
    name: name(60),
    xMm: whole(0, MOST_MM),
    yMm: whole(0, MOST_MM),
    widthMm: whole(300, MOST_MM),
    depthMm: whole(300, MOST_MM),
    code: line(6).default('').describe('short code for labels'),
  })
  .meta({ id: 'Room' });
export type Room = z.infer<typeof Room>;
