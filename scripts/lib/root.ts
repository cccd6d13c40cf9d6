import { resolve } from 'node:path';

/** The folder of the program. */
export const root = resolve(import.meta.dirname, '../..');
