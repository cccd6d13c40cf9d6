import type { Entry } from './orderSteps';
import type { ServicePart } from './serviceWays';

/** A service that is down in a stage, and how much of it. */
export type Dark = { service: string; share: number };
/** Where a step's thing is. */
export type ThingAt = 'old' | 'hand' | 'parked' | 'new' | 'none';

/** Whether a part of a service is up with its things where they are. */
const isPartUp = ({ ways }: ServicePart, at: ReadonlyMap<string, ThingAt>): boolean =>
  ways.some((way) =>
    way.every(({ step, at: wanted }) => {
      const place = at.get(step) ?? 'old';
      return wanted === 'any' ? place === 'old' || place === 'new' : place === wanted;
    }),
  );

/** What is down anyway, and what the step itself takes down. */
function withOwn(dark: readonly Dark[], own: readonly Dark[]): Dark[] {
  const lost = new Map(dark.map(({ service, share }) => [service, share]));
  for (const { service, share } of own) lost.set(service, Math.min(1, (lost.get(service) ?? 0) + share));
  return [...lost].map(([service, share]) => ({ service, share }));
}

export type Stage = {
  entry: Entry;
  /** While the step is worked on, and after it. */
  dark: Dark[];
  darkAfter: Dark[];
  /** Steps whose things stand out of the cabinet after it. */
  parked: string[];
  /** All is up again and nothing stands out: from here one may go on, or back. */
  safe: boolean;
};

/** What is dark in each stage of an order. */
export function stagesOf(entries: readonly Entry[], parts: readonly ServicePart[]): Stage[] {
  const at = new Map<string, ThingAt>();
  for (const { step } of entries) if (!at.has(step.id)) at.set(step.id, step.turn === 'in' ? 'none' : 'old');
  const orderOf = new Map([...at.keys()].map((id, order) => [id, order]));
  const whole = new Map<string, number>();
  for (const { service, weight } of parts) whole.set(service, (whole.get(service) ?? 0) + weight);
  // A step moves one thing: only the parts whose ways lead over it are asked again.
  const partsOver = new Map<string, number[]>();
  parts.forEach(({ ways }, part) => {
    for (const step of new Set(ways.flat().map((want) => want.step)))
      partsOver.set(step, [...(partsOver.get(step) ?? []), part]);
  });
  const down = new Set<number>();
  const ask = (part: number) => {
    const asked = parts[part];
    if (asked && !isPartUp(asked, at)) down.add(part);
    else down.delete(part);
  };
  for (const part of parts.keys()) ask(part);
  const parked = new Set<string>();
  const move = (id: string, to: ThingAt) => {
    at.set(id, to);
    if (to === 'parked') parked.add(id);
    else parked.delete(id);
    for (const part of partsOver.get(id) ?? []) ask(part);
  };
  const darkNow = (): Dark[] => {
    const lost = new Map<string, number>();
    for (const { service, weight } of [...down].sort((a, b) => a - b).flatMap((part) => parts[part] ?? []))
      lost.set(service, (lost.get(service) ?? 0) + weight);
    return [...lost].map(([service, weight]) => ({ service, share: weight / (whole.get(service) ?? weight) }));
  };
  return entries.map((entry): Stage => {
    const { step, action } = entry;
    move(step.id, 'hand');
    const dark = withOwn(darkNow(), step.darkens ?? []);
    move(step.id, action === 'park' ? 'parked' : action === 'remove' ? 'none' : 'new');
    const darkAfter = darkNow();
    const aside = [...parked].sort((a, b) => (orderOf.get(a) ?? 0) - (orderOf.get(b) ?? 0));
    return { entry, dark, darkAfter, parked: aside, safe: darkAfter.length === 0 && aside.length === 0 };
  });
}
