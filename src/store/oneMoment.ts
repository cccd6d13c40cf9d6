import { IsolationLevel } from '@mikro-orm/postgresql';

/** For a transaction that only reads: everything in it is of the same moment. */
export const ONE_MOMENT = { isolationLevel: IsolationLevel.REPEATABLE_READ, readOnly: true } as const;
