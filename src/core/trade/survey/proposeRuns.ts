import { counted } from '../../base/text/counted';
import { groupBy } from '../../base/text/groupBy';
import { naturalOrder } from '../../base/text/naturalOrder';
import { sameKey } from '../../base/text/sameKey';
import type { Command } from '../../job/commands/commands';
import type { RunEntry } from '../../job/commands/runs';
import type { Job } from '../../job/document/job';
import { indexJob } from '../../job/document/jobIndex';
import { questionOf } from '../../job/records/questions';
import type { Run } from '../../job/records/run';
import type { Wish } from '../../job/records/wish';
import { nextNumbers } from '../labels/labelScheme';
import { chosenCable } from './advice/chosen';
import { answerOf, figureOf } from './answers/answers';
import { OUTLET_RULES, serves } from './outletRules';

/** Runs that one wish asks for, against those that are there. */
export type WishProposal = {
  wish: Wish;
  place: string;
  words: string;
  outlets: number;
  runs: number;
  reason: string;
  /** Of them, those that a run of that room serves already without having been asked for by a wish. */
  served: number;
  /** Runs that are not there yet. */
  missing: Omit<RunEntry, 'id' | 'label'>[];
};

export type RunProposal = {
  wishes: WishProposal[];
  missing: number;
  /** Runs that were asked for once and are no longer. */
  surplus: { run: Run; removable: boolean }[];
};

const placeKey = ({ floor = '', room = '' }: { floor?: string; room?: string }): string =>
  `${sameKey(floor)}:${sameKey(room)}`;

type Asked = { key: string; fields: Omit<RunEntry, 'id' | 'label'> };

/** Outlets of a kind are numbered through their room, whichever wish they come from. */
function firstOutlet(job: Job, wish: Wish): number {
  return Object.values(job.wishes)
    .filter((other) => other.roomId === wish.roomId && other.kind === wish.kind && other.id < wish.id)
    .reduce((sum, other) => sum + other.count, 1);
}

function askedBy(job: Job, wish: Wish): Asked[] {
  const room = job.rooms[wish.roomId];
  const floor = room && job.floors[room.floorId];
  if (!room || !floor) return [];
  const rule = OUTLET_RULES[wish.kind];
  const perOutlet = figureOf(job, rule.runs);
  const later = wish.scope === 'later';
  const pullSpare = later && answerOf(job, 'spare-later') === 'yes';
  const first = firstOutlet(job, wish);
  return Array.from({ length: wish.count }, (_, one) => {
    const outlet = `${rule.words} ${first + one}`;
    const common = {
      floor: floor.name,
      room: room.name,
      outlet,
      outletHeightMm: figureOf(job, rule.height),
      scope: later && !pullSpare ? ('later' as const) : ('now' as const),
    };
    const jacks = Array.from({ length: perOutlet }, (__, jack): Asked => {
      const device = pullSpare ? '' : (rule.devices[jack] ?? '');
      const key = `${wish.id}.${one + 1}.${jack + 1}`;
      const powered = jack === 0 && device !== '';
      return {
        key,
        fields: {
          ...common,
          carries: 'ethernet',
          cable: chosenCable(job, rule.needsFaster),
          device,
          speedMbps: device === '' ? null : rule.speedMbps,
          poeW: powered ? rule.poeW : device === 'telephone' ? OUTLET_RULES.telephone.poeW : 0,
          askedBy: key,
        },
      };
    });
    const coax: Asked[] =
      wish.kind === 'television' && wish.coax
        ? [
            {
              key: `${wish.id}.${one + 1}.coax`,
              fields: {
                ...common,
                carries: 'coax',
                cable: 'RG-6',
                device: pullSpare ? '' : 'aerial',
                askedBy: `${wish.id}.${one + 1}.coax`,
              },
            },
          ]
        : [];
    return [...jacks, ...coax];
  }).flat();
}

/**
 * Runs that the wishes ask for by the rules of the job, and how that differs from the runs that are there. Asked again
 * after accepting, nothing is missing.
 */
export function proposeRuns(job: Job): RunProposal {
  const there = new Set(Object.values(job.runs).flatMap((run) => run.askedBy || []));
  const asked = new Set<string>();
  /** Runs that no wish asked for, by room: each serves one device of what is wished there. */
  const byRoom = groupBy(
    Object.values(job.runs).filter((run) => run.askedBy === '' && run.device !== ''),
    (run) => placeKey(run),
  );
  const wishes = Object.values(job.wishes)
    .sort((a, b) => naturalOrder(placeOf(job, a), placeOf(job, b)) || (a.id < b.id ? -1 : 1))
    .map((wish): WishProposal => {
      const rows = askedBy(job, wish);
      for (const { key } of rows) asked.add(key);
      const missing = rows.filter(({ key, fields }) => {
        if (there.has(key)) return false;
        const here = byRoom.get(placeKey(fields)) ?? [];
        const at = here.findIndex((run) => serves(fields.device ?? '', run.device));
        if (at < 0) return true;
        here.splice(at, 1);
        return false;
      });
      const served = rows.filter(({ key }) => !there.has(key)).length - missing.length;
      const { words, runs } = OUTLET_RULES[wish.kind];
      const coax = wish.kind === 'television' && wish.coax ? ' and one of coax' : '';
      return {
        wish,
        place: placeOf(job, wish),
        words,
        outlets: wish.count,
        runs: rows.length,
        reason: `${counted(figureOf(job, runs), 'run')}${coax} an outlet. ${questionOf(runs).whatFor}${served > 0 ? ` ${served} of them ${served === 1 ? 'is' : 'are'} there already.` : ''}`,
        served,
        missing: missing.map(({ fields }) => fields),
      };
    });
  const { landingOfRun } = indexJob(job);
  const surplus = Object.values(job.runs)
    .filter((run) => run.askedBy !== '' && !asked.has(run.askedBy))
    .map((run) => ({ run, removable: run.state === 'wanted' && !landingOfRun.has(run.id) }));
  return { wishes, missing: wishes.reduce((sum, one) => sum + one.missing.length, 0), surplus };
}

const placeOf = (job: Job, wish: Wish): string => {
  const room = job.rooms[wish.roomId];
  return [room && job.floors[room.floorId]?.name, room?.name].filter(Boolean).join(', ');
};

/** The commands that take what is missing of these wishes, with the next plain numbers as labels. */
export function acceptCommands(job: Job, wishIds: ReadonlySet<string>, newId: () => string): Command[] {
  const missing = proposeRuns(job)
    .wishes.filter(({ wish }) => wishIds.has(wish.id))
    .flatMap((one) => one.missing);
  if (missing.length === 0) return [];
  const labels = nextNumbers(job, missing.length);
  return [
    {
      type: 'addRuns',
      runs: missing.map((fields, at) => ({ ...fields, id: newId(), label: labels[at] ?? String(at) })),
    },
  ];
}

/** The commands for runs that are no longer asked for: out, or spare where cable is there already. */
export function surplusCommands(job: Job): Command[] {
  const { surplus } = proposeRuns(job);
  const out = surplus.filter(({ removable }) => removable).map(({ run }) => run.id);
  const spare = surplus.filter(({ removable }) => !removable).map(({ run }) => run.id);
  const commands: Command[] = [];
  if (out.length > 0) commands.push({ type: 'removeRuns', runIds: out });
  if (spare.length > 0) {
    commands.push({
      type: 'editRuns',
      edits: spare.map((runId) => ({ runId, changes: { askedBy: '', device: '', poeW: null, speedMbps: null } })),
    });
  }
  return commands;
}
