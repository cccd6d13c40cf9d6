import { kept, keptWhile } from '../../base/memo/kept';
import type { Cord } from '../records/cord';
import { isPanel, isSwitching } from '../records/ports';
import type { Job } from './job';

/** A cord from the front of a panel port to a port of a switch or router, by what is at which end. */
export type PatchCord = {
  id: string;
  panelId: string;
  panelPort: number;
  switchId: string;
  switchPort: number;
  fixed: boolean;
  lengthMm: number | null;
  colour: string;
};

/** Where a patch cord goes, as fields of its record, whichever of its ends is the panel. */
export const panelFirst = ({ panelId, panelPort, switchId, switchPort }: Omit<PatchCord, 'id'>) => ({
  fromId: panelId,
  fromPort: panelPort,
  toId: switchId,
  toPort: switchPort,
});

const patchFrom = kept(
  ({ id, fromId, fromPort, toId, toPort, fixed, lengthMm, colour }: Cord): PatchCord =>
    Object.freeze({
      id,
      panelId: fromId,
      panelPort: fromPort,
      switchId: toId,
      switchPort: toPort,
      fixed,
      lengthMm,
      colour,
    }),
);
const patchTo = kept((cord: Cord): PatchCord => {
  const { fromId, fromPort, toId, toPort } = cord;
  return Object.freeze({
    ...patchFrom(cord),
    panelId: toId,
    panelPort: toPort,
    switchId: fromId,
    switchPort: fromPort,
  });
});

/** The cord as a patch cord; null where it is none. */
export function asPatchCord(gear: Job['gear'], cord: Cord): PatchCord | null {
  if (cord.fromSide === 'rear' || cord.toSide === 'rear') return null;
  const [from, to] = [gear[cord.fromId], gear[cord.toId]];
  if (!from || !to) return null;
  if (isPanel(from) && isSwitching(to)) return patchFrom(cord);
  return isPanel(to) && isSwitching(from) ? patchTo(cord) : null;
}

type Kinds = {
  patch: Readonly<Record<string, PatchCord>>;
  links: Readonly<Record<string, Cord>>;
  beside: Readonly<Record<string, Cord>>;
};

type CordsOf = Pick<Job, 'gear' | 'cords'>;
const kindsOf = keptWhile(({ gear, cords }: CordsOf) => [cords, gear], sorted);

function sorted({ gear, cords }: CordsOf): Kinds {
  const [patch, links, beside]: [Record<string, PatchCord>, Record<string, Cord>, Record<string, Cord>] = [{}, {}, {}];
  for (const cord of Object.values(cords)) {
    const patched = asPatchCord(gear, cord);
    if (patched) {
      patch[cord.id] = patched;
      continue;
    }
    beside[cord.id] = cord;
    const [from, to] = [gear[cord.fromId], gear[cord.toId]];
    if (from && to && !isPanel(from) && !isPanel(to)) links[cord.id] = cord;
  }
  return { patch: Object.freeze(patch), links: Object.freeze(links), beside: Object.freeze(beside) };
}

/** Cords from panel ports to switch ports, by id. */
export const patchCordsOf = (job: CordsOf): Kinds['patch'] => kindsOf(job).patch;

/** Cords between two devices neither of which is a panel, by id: uplinks, and cords of gear in the rack. */
export const linksOf = (job: CordsOf): Kinds['links'] => kindsOf(job).links;

/** All cords but patch cords, by id: links, cords between panels, and those at the rear of couplers. */
export const besideCordsOf = (job: CordsOf): Kinds['beside'] => kindsOf(job).beside;

/** Fields of the record of a patch cord that put its switch end elsewhere, whichever end that is. */
export function switchEnd(
  job: Pick<Job, 'gear' | 'cords'>,
  id: string,
  { switchId, switchPort }: Partial<Pick<PatchCord, 'switchId' | 'switchPort'>>,
): Partial<Cord> {
  const isFrom = patchCordsOf(job)[id]?.switchId === job.cords[id]?.fromId;
  const given = {
    ...(switchId === undefined ? {} : { id: switchId }),
    ...(switchPort === undefined ? {} : { port: switchPort }),
  };
  return Object.fromEntries(
    Object.entries(given).map(([field, value]) => [
      `${isFrom ? 'from' : 'to'}${field === 'id' ? 'Id' : 'Port'}`,
      value,
    ]),
  );
}
