import type { Stopgap } from '../../job/records/stopgap';
import type { BuildStep } from './buildStep';
import type { Entry } from './orderSteps';
import { plain } from './stepParts';

/** What is taken along for each help, and minutes to set it up and to take it away. Rules of thumb, no source. */
const HELPS: Record<Stopgap['frees'], { part: string | null; minutes: number; words: string }> = {
  park: { part: null, minutes: 0, words: 'may be set aside' },
  place: { part: 'Table or shelf for the time being', minutes: 5, words: 'a place for the time being' },
  clear: { part: 'Temporary cord, 5 m', minutes: 4, words: 'a temporary cord or device' },
  take: { part: 'Temporary cord, 5 m', minutes: 4, words: 'a temporary cord or device' },
  put: { part: 'Temporary cord, 5 m', minutes: 4, words: 'a temporary cord or device' },
};

/** Steps of a help of the hour: set up before its step, taken away when all is done. None where nothing is taken along. */
export function stopgapSteps({ id, step, frees }: Stopgap, steps: readonly BuildStep[]): BuildStep[] {
  const { part, minutes, words } = HELPS[frees];
  const of = steps.find((one) => one.id === step);
  if (part === null || !of) return [];
  const set = plain({
    id: `help-in-${id}`,
    kind: 'cord',
    turn: 'in',
    words: `Set up ${words} for: ${of.words}`,
    at: of.at,
    place: of.place,
    parts: [part],
    putMin: minutes,
    pace: 'stopgap',
  });
  return [
    set,
    {
      ...set,
      id: `help-out-${id}`,
      turn: 'out',
      words: `Take ${words} away again: ${of.words}`,
      parts: [],
      takeMin: minutes,
      putMin: 0,
    },
  ];
}

/** Entries with the helps of the hour among them: each right before its step, and away when the cut-over is over. */
export function withStopgaps(
  entries: readonly Entry[],
  stopgaps: readonly Stopgap[],
  over: (id: string) => boolean,
): Entry[] {
  if (stopgaps.length === 0) return [...entries];
  const steps = entries.map(({ step }) => step);
  const before = new Map<string, Entry[]>();
  const away: Entry[] = [];
  for (const stopgap of stopgaps) {
    const [put, take] = stopgapSteps(stopgap, steps);
    if (put && !over(put.id))
      before.set(stopgap.step, [...(before.get(stopgap.step) ?? []), { step: put, action: 'bring', phase: 'cutover' }]);
    if (take && !over(take.id)) away.push({ step: take, action: 'remove', phase: 'cutover' });
  }
  const placed = new Set<string>();
  const all = entries.flatMap((entry) => {
    const helps = placed.has(entry.step.id) ? [] : (before.get(entry.step.id) ?? []);
    placed.add(entry.step.id);
    return [...helps, entry];
  });
  const last = all.findLastIndex(({ phase }) => phase === 'cutover');
  return [...all.slice(0, last + 1), ...away, ...all.slice(last + 1)];
}
