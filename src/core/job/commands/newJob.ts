import { z } from 'zod';
import { UNITS } from '../../base/units/length';
import { emptyJob, type Job } from '../document/job';
import { JobHead } from '../document/jobHead';
import { freeGearName, gearLibrary, librarySize } from '../gear/library';
import { name, whole } from '../records/fields';
import { Rack } from '../records/rack';
import { applyCommands } from './apply';

/** What a person says to start a job. */
export const NewJob = z.strictObject({
  name: JobHead.shape.name,
  units: z.enum(UNITS),
  rules: JobHead.shape.rules,
  country: JobHead.shape.country,
  /** Null: not known. */
  door: Rack.shape.door,
  rackUnits: Rack.shape.units,
  rackDepthMm: Rack.shape.depthMm,
  numbering: Rack.shape.numbering,
  standing: Rack.shape.standing,
  /** `names`: what they are called, as far as somebody said it. */
  gear: z
    .array(
      z.strictObject({
        library: whole(0, librarySize - 1),
        count: whole(1, 20),
        names: z.array(name()).max(20).default([]),
      }),
    )
    .max(40),
});
export type NewJob = z.infer<typeof NewJob>;

/** A job with one rack and a pile of gear from the library. */
export function startJob(id: string, wish: NewJob): Job {
  const names: string[] = [];
  const gear = wish.gear.flatMap(({ library, count, names: given }) =>
    Array.from({ length: count }, (_, at) => {
      const entry = gearLibrary()[library];
      if (!entry) throw new RangeError(`library entry ${library}`);
      const name = freeGearName(given[at] ?? entry.name, names);
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
    standing: wish.standing,
    // A wall or floor cabinet is sold with a door, a frame without: nobody's word for it, so that it is asked.
    door: wish.door,
  });
  return applyCommands(emptyJob({ id, name: wish.name, units: wish.units, rules: wish.rules, country: wish.country }), [
    { type: 'addRack', rack },
    ...(gear.length > 0 ? [{ type: 'addGear' as const, gear }] : []),
  ]).job;
}
