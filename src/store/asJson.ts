import { raw } from '@mikro-orm/core';

/**
 * A value for a jsonb column, as text for the database to read. The ORM walks into objects that it is given and writes
 * to them; ours are frozen.
 */
export const asJson = (value: unknown) => raw('?::jsonb', [JSON.stringify(value)]);
