import { buildMinutes } from '../../base/standards/buildMinutes';
import { groupBy } from '../../base/text/groupBy';
import { patchCordsOf } from '../../job/document/cordKinds';
import type { Job } from '../../job/document/job';
import { indexJob } from '../../job/document/jobIndex';
import { carriedBy } from '../../job/rack/space';
import { unitName } from '../../job/rack/units';
import type { Gear } from '../../job/records/gear';
import { liftOf } from '../rack/lifting/liftPlan';
import type { BuildStep, Turn } from './buildStep';
import { drillCaution, mainsCaution } from './stepCautions';
import { type Both, plain, recordsOnly, stepId, turns } from './stepParts';

export function rackSteps(both: Both): BuildStep[] {
  return turns(both, 'racks').flatMap(({ id, turn, old, then }) => {
    // A rack of which only figures changed stays where it is.
    if (turn === 'move') return [];
    const name = (then ?? old)?.name ?? '';
    const kind = turn === 'in' ? ('rack-in' as const) : ('rack-out' as const);
    const hangs = then?.standing === 'wall';
    return [
      plain({
        id: stepId(kind, id),
        kind,
        turn,
        words: turn === 'in' ? `${hangs ? 'Hang' : 'Set up'} ${name}` : `Take down ${name}`,
        place: name,
        who: 'two',
        caution: turn === 'in' ? drillCaution(both.is) : '',
        tools: turn === 'in' ? ['drill', 'spirit level', 'ladder'] : ['screwdriver'],
        changes: [
          ...both.changesOf('racks', id),
          ...turns(both, 'mounts').flatMap((mount) =>
            (mount.then ?? mount.old)?.rackId === id ? both.changesOf('mounts', mount.id) : [],
          ),
        ],
      }),
    ];
  });
}

export function circuitSteps(both: Both): BuildStep[] {
  const circuits = turns(both, 'circuits').map(({ id, turn, old, then }) =>
    plain({
      id: stepId('circuit', id),
      kind: 'circuit',
      turn,
      words: `${turn === 'in' ? 'New circuit' : turn === 'out' ? 'Take out circuit' : 'Change circuit'} ${(then ?? old)?.name ?? ''}: licensed electrician, by local code`,
      who: 'electrician',
      changes: both.changesOf('circuits', id),
    }),
  );
  const outlets = turns(both, 'wallOutlets').map(({ id, turn, old, then }) =>
    plain({
      id: stepId('circuit', id),
      kind: 'circuit',
      turn,
      words: `${turn === 'in' ? 'New outlet' : turn === 'out' ? 'Take out outlet' : 'Change outlet'} ${(then ?? old)?.name ?? ''}: licensed electrician, by local code`,
      who: 'electrician',
      changes: both.changesOf('wallOutlets', id),
    }),
  );
  return [...circuits, ...outlets];
}

const placeWords = (job: Job, gearId: string): string => {
  const { placementOfGear, carrierOfGear } = indexJob(job);
  const placement = placementOfGear.get(gearId);
  const rack = job.racks[placement?.rackId ?? ''];
  if (placement && rack) return `${rack.name} ${unitName(rack, placement.bottomU, job.gear[gearId]?.heightU ?? 1)}`;
  const carrier = job.gear[carrierOfGear.get(gearId) ?? ''];
  return carrier ? `on ${carrier.name}` : '';
};

export function gearSteps(both: Both): BuildStep[] {
  const { was, is } = both;
  const stands = [
    ...turns(both, 'placements').map((row) => ({ ...row, table: 'placements' as const })),
    ...turns(both, 'shelvings').map((row) => ({ ...row, table: 'shelvings' as const })),
  ];
  const byGear = groupBy(stands, ({ old, then }) => (then ?? old)?.gearId ?? '');
  const ids = new Set([
    ...turns(both, 'gear').flatMap(({ id, turn }) => (turn === 'move' ? [] : [id])),
    ...byGear.keys(),
  ]);
  return [...ids].flatMap((id): BuildStep[] => {
    const gear = is.gear[id] ?? was.gear[id];
    if (!gear) return [];
    const [from, to] = [placeWords(was, id), placeWords(is, id)];
    const stood = was.gear[id] !== undefined && (from !== '' || is.gear[id] === undefined);
    const stays = is.gear[id] !== undefined && (to !== '' || was.gear[id] === undefined);
    const turn: Turn = stood && stays ? 'move' : stays ? 'in' : 'out';
    const changes = [
      ...(was.gear[id] && is.gear[id] ? [] : both.changesOf('gear', id)),
      ...(byGear.get(id) ?? []).flatMap((row) => both.changesOf(row.table, row.id)),
    ];
    // Only pinned, or numbered anew: nothing is carried.
    if (turn === 'move' && samePlace(was, is, id)) return [{ ...recordsOnly(id, changes) }];
    const cords = Object.values(patchCordsOf(was)).filter((cord) => cord.switchId === id || cord.panelId === id).length;
    const more = (gear.heightU - 1) * buildMinutes.unitMore.take;
    const takeMin = turn === 'in' ? 0 : buildMinutes.gear.take + more + cords * buildMinutes.replug.take;
    const kept = turn === 'move' ? cords * buildMinutes.replug.put : 0;
    const putMin = turn === 'out' ? 0 : buildMinutes.gear.put + (gear.heightU - 1) * buildMinutes.unitMore.put + kept;
    const words =
      turn === 'in' ? `Put in ${gear.name}` : turn === 'out' ? `Take out ${gear.name}` : `Move ${gear.name}`;
    return [
      plain({
        id: stepId('gear', id),
        kind: 'gear',
        turn,
        words,
        place: to || from,
        from,
        to,
        who: liftedByTwo(is, was, gear) ? 'two' : 'one',
        caution: turn === 'in' ? '' : mainsCaution(gear),
        gearId: id,
        takeMin,
        putMin,
        pace: `gear ${gear.kind}`,
        parts: turn === 'in' ? [gear.name] : [],
        tools: ['screwdriver'],
        photograph: turn !== 'in',
        canPark: turn === 'move' && carriedBy(was, id).length === 0,
        changes,
      }),
    ];
  });
}

function samePlace(was: Job, is: Job, gearId: string): boolean {
  const [a, b] = [was, is].map((job) => indexJob(job).placementOfGear.get(gearId));
  const [carrierA, carrierB] = [was, is].map((job) => indexJob(job).carrierOfGear.get(gearId));
  return carrierA === carrierB && a?.rackId === b?.rackId && a?.bottomU === b?.bottomU && a?.face === b?.face;
}

function liftedByTwo(is: Job, was: Job, gear: Gear): boolean {
  const job = is.gear[gear.id] ? is : was;
  const placement = indexJob(job).placementOfGear.get(gear.id);
  const rack = job.racks[placement?.rackId ?? ''];
  if (!placement || !rack) return false;
  // Whoever is to come is not known: the lower filter counts.
  const lift = liftOf(rack, gear, placement.bottomU, 'women');
  return (lift.people ?? 1) > 1 || lift.support;
}
