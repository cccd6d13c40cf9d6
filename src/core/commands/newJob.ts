import { z } from 'zod';
import { freeGearName, gearLibrary, librarySize } from '../gear/library';
import { emptyJob, type Job, JobHead } from '../job/job';
import { whole } from '../records/fields';
import { Rack } from '../records/rack';
import { applyCommands } from './apply';

/** What a person says to start a job. */
export const NewJob = z.strictObject({
  name: JobHead.shape.name,
  units: z.enum(['metric', 'imperial']),
  rackUnits: Rack.shape.units,
  rackDepthMm: Rack.shape.depthMm,
  numbering: z.enum(['from-bottom', 'from-top']),
  gear: z.array(z.strictObject({ library: whole(0, librarySize - 1), count: whole(1, 20) })).max(40),
});
export type NewJob = z.infer<typeof NewJob>;

/** A job with one rack and a pile of gear from the library. */
export function startJob(id: string, wish: NewJob): Job {
  const names: string[] = [];
  const gear = wish.gear.flatMap(({ library, count }) =>
    Array.from({ length: count }, () => {
      const entry = gearLibrary()[library];
      if (!entry) throw new RangeError(`library entry ${library}`);
      const name = freeGearName(entry.name, names);
      names.push(name);
      return { ...entry, id: `gear-${names.length}`, name };
    }),
  );
  const rack = Rack.parse({
    id: 'rack-1',
    name: 'Cabinet',
    units: wish.rackUnits,
    depthMm: wish.rackDepthMm,
    numbering: wish.numbering,
  });
  return applyCommands(emptyJob({ id, name: wish.name, units: wish.units }), [
    { type: 'addRack', rack },
    ...(gear.length > 0 ? [{ type: 'addGear' as const, gear }] : []),
  ]).job;
}
