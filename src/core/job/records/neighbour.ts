import { z } from 'zod';
import { Id } from './fields';
import { defineTable, goesWith } from './table';

/** Two devices that are to touch, one right above the other, wherever they stand. */
export const Neighbour = z.strictObject({ id: Id, gearId: Id, besideId: Id }).meta({ id: 'Neighbour' });
export type Neighbour = z.infer<typeof Neighbour>;

export const neighbours = defineTable({
  name: 'neighbours',
  about: 'plan',
  private: false,
  stations: ['stack'],
  row: 'neighbour',
  one: 'pair of neighbours',
  many: 'pairs of neighbours',
  atMost: 2000,
  schema: Neighbour,
  keys: [{ what: 'pair', of: (row) => [row.gearId, row.besideId].sort().join(':'), words: () => 'one pair' }],
  refers: [goesWith('gearId', 'gear'), goesWith('besideId', 'gear')],
  fault: (row) => (row.gearId === row.besideId ? 'A device cannot be its own neighbour.' : null),
});
