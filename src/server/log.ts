import { pino } from 'pino';

/** Lines of JSON on the standard error: what went wrong of ours, and nothing of who asked. */
export const log = pino(
  { base: null, level: process.env.SHELF_LOG ?? 'info', timestamp: pino.stdTimeFunctions.isoTime },
  pino.destination({ dest: 2, sync: true }),
);
