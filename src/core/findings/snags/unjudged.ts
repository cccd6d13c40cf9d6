import { groupBy } from '../../base/text/groupBy';
import { type Snag, unjudgedWords } from './snag';

/** What a finding is about; one about several runs stands by itself. */
const thingOf = ({ gearIds, rackIds, runIds, rowIds, id }: Snag): string =>
  runIds.length > 1 ? id : (gearIds[0] ?? rackIds[0] ?? runIds[0] ?? rowIds[0] ?? id);

/** What is not judged, put together: one entry for each thing, with all its checks and all that is missing. */
export function oncePerThing(all: readonly Snag[]): Snag[] {
  return [...groupBy(all, thingOf).values()].flatMap((some): Snag[] => {
    const [first] = some;
    if (!first) return [];
    const checks = [...new Set(some.flatMap(({ unknown }) => unknown?.check ?? []))];
    const missing = [...new Set(some.flatMap(({ unknown }) => unknown?.missing ?? []))];
    const of = first.unknown?.of ?? '';
    return [
      {
        ...first,
        id: `not judged ${thingOf(first)}`,
        what: some.length === 1 ? first.what : unjudgedWords(of, checks, missing),
        stations: [...new Set(some.flatMap(({ stations }) => stations))],
        unknown: { of, check: checks.join(', '), missing },
      },
    ];
  });
}
