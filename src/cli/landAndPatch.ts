import { counted } from '../core/base/text/counted';
import { refuse } from '../core/base/text/refusal';
import { formatLength } from '../core/base/units/length';
import { formatMinutes } from '../core/base/units/minutes';
import { readJobFile, writeJobFile } from '../core/exchange/formats/jobFile';
import { applyCommands } from '../core/job/commands/apply';
import type { Job } from '../core/job/document/job';
import { portKey } from '../core/job/records/portKey';
import { LAND_ORDERS, type LandOrder, landWishOf } from '../core/trade/panels/landWish';
import { planLanding } from '../core/trade/panels/planLanding';
import { patchCommands } from '../core/trade/patching/patchCommands';
import { type PatchMoves, type PatchSchool, patchSchools, patchWishOf } from '../core/trade/patching/patchWish';
import { planPatching } from '../core/trade/patching/planPatching';
import { needOut, readText, say, write } from './io';
import { limitsOf, type Options } from './options';

const portWords = (job: Job, gearId: string, port: number) => `${job.gear[gearId]?.name} ${port}`;

export function landJob(path: string, options: Options): number {
  const out = needOut(options);
  const job = readJobFile(readText(path));
  const order = options.order ?? landWishOf(job).order;
  if (!(LAND_ORDERS as readonly string[]).includes(order))
    return refuse('usage', `--order: expected one of ${LAND_ORDERS.join(', ')}, found “${order}”.`);
  const wish = { order: order as LandOrder, anew: options.anew ?? false };
  const plan = planLanding(job, wish, limitsOf(options, 5));
  const { landings, left, moved, disorder, proven } = plan;
  write(out, writeJobFile(landings.length > 0 ? applyCommands(job, [{ type: 'landRuns', landings }]).job : job));
  for (const { runId, from, to, minutes } of moved)
    say(
      `${job.runs[runId]?.label}: from ${portWords(job, from.panelId, from.port)} to ${portWords(job, to.panelId, to.port)}, ${minutes} min`,
    );
  for (const { why, waysOut } of left)
    say(`left: ${why}${waysOut.length > 0 ? ` Ways out: ${waysOut.map(({ words }) => words).join('; ')}.` : ''}`);
  const minutes = moved.reduce((sum, one) => sum + one.minutes, 0);
  const again = moved.length > 0 ? `, ${counted(moved.length, 'run')} re-landed in ${formatMinutes(minutes)}` : '';
  say(
    `${counted(landings.length, 'run')} landed${again}; disorder ${disorder} (${proven ? 'proven least' : 'best found, not proven'})`,
  );
  return 0;
}

const MOVES: readonly PatchMoves[] = ['none', 'few', 'free'];

export function patchJob(path: string, options: Options): number {
  const out = needOut(options);
  const job = readJobFile(readText(path));
  const { school = patchWishOf(job).school, moves = 'none' } = options;
  if (!Object.hasOwn(patchSchools, school))
    return refuse('usage', `--school: expected one of ${Object.keys(patchSchools).join(', ')}, found “${school}”.`);
  if (!(MOVES as readonly string[]).includes(moves))
    return refuse('usage', `--moves: expected one of ${MOVES.join(', ')}, found “${moves}”.`);
  const wish = {
    school: school as PatchSchool,
    moves: moves as PatchMoves,
    ...(options['include-spare'] ? { includeSpare: true } : {}),
  };
  const plan = planPatching(job, wish, limitsOf(options, 5));
  const commands = patchCommands(plan);
  write(out, writeJobFile(commands.length > 0 ? applyCommands(job, commands).job : job));
  const landed = new Map(Object.values(job.landings).map((row) => [portKey(row.panelId, row.port), row.runId]));
  for (const cord of plan.cords) {
    const runId = landed.get(portKey(cord.panelId, cord.panelPort)) ?? '';
    say(`${job.runs[runId]?.label}: ${portWords(job, cord.switchId, cord.switchPort)}, ${plan.why[runId]}`);
  }
  if (plan.short !== null) say(plan.short);
  for (const { words, gearId, port } of plan.kept) say(`kept for ${words}: ${portWords(job, gearId, port)}`);
  for (const { words } of plan.unkept) say(`no port for ${words}`);
  for (const { why, letsIn } of plan.left)
    say(`left: ${why}${letsIn.length > 0 ? ` What would let it in: ${letsIn.join('; or ')}.` : ''}`);
  const proof = plan.proven
    ? 'proven best'
    : plan.cutOff
      ? 'the gateway is not reached'
      : `best found, at most ${(plan.points - plan.bound).toFixed(1)} points from the best`;
  say(
    `${counted(plan.patched, 'run')} with a port, ${counted(plan.moved.length, 'cord')} moved, ${formatLength(plan.cordMm, job.units)} of cord (${proof})`,
  );
  return 0;
}
