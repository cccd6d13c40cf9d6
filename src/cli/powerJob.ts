import { outlets } from '../core/base/standards/outlets';
import { counted } from '../core/base/text/counted';
import { refuse } from '../core/base/text/refusal';
import { formatMinutes } from '../core/base/units/minutes';
import { readJobFile, writeJobFile } from '../core/exchange/formats/jobFile';
import { powerJson } from '../core/findings/stations/powerReport';
import { applyCommands } from '../core/job/commands/apply';
import { day } from '../core/job/records/fields';
import { planPlugs, plugCommands } from '../core/trade/power/plugPlan';
import { needOut, readText, say, write } from './io';
import { limitsOf, type Options } from './options';

/** The day that batteries are judged by. */
export function dayOf(options: Options): string {
  const today = options.today ?? new Date().toISOString().slice(0, 10);
  if (!day.safeParse(today).success)
    return refuse('usage', `--today: expected a date such as 2026-11-27, found “${today}”.`);
  return today;
}

const known = (value: number | string | null, unit = ''): string => (value === null ? 'unknown' : `${value}${unit}`);

type Later = ReturnType<typeof powerJson>['trips'][number]['later'][number];
const laterWords = ({ event, unit, service, minutes }: Later): string =>
  minutes === null
    ? `; ${service === null ? unit : `${service} on ${unit}`}: ${event}`
    : `; ${service} after about ${formatMinutes(minutes)}`;

/** What feeds what, what goes dark, how long it lasts, how warm and how loud it gets. */
export function powerOfJob(path: string, options: Options): number {
  const job = readJobFile(readText(path));
  const made = powerJson(job, dayOf(options));
  if (options.json) {
    write('-', `${JSON.stringify(made, null, 2)}\n`);
    return 0;
  }
  const lines = [
    ...made.circuits.map(
      (one) =>
        `${one.name}: ${one.atLeast ? 'at least ' : ''}${one.loadW} W, ${known(one.loadA, ' A')} of ${known(one.limitA, ' A')} continuous; ${one.state}`,
    ),
    ...made.units.map(
      (one) =>
        `${one.gear}: ${one.atLeast ? 'at least ' : ''}${one.loadW} W on battery, run time ${known(one.minutes, ' min')} as new, ${known(one.minutesAged, ' min')} today, battery due ${known(one.due)}${one.overdue ? ' (overdue)' : ''}`,
    ),
    ...made.cabinets.map(
      (one) =>
        `${one.rack}: ${one.atLeast ? 'at least ' : ''}${one.heatW} W of heat, ${known(one.insideC, ' °C')} inside, ${known(one.summerC, ' °C')} in summer of ${one.limitC} °C; ${one.state}`,
    ),
    ...made.noise.map((one) => `${one.place}: ${known(one.db, ' dB(A)')} of ${one.targetDb} dB(A)`),
    ...made.storage.map(
      (one) => `${one.gear}: ${known(one.haveTB, ' TB')} of ${known(one.needTB, ' TB')}, ${known(one.days, ' days')}`,
    ),
    ...made.trips.map(
      (one) =>
        `without ${one.part}: ${one.now.length > 0 ? one.now.join(', ') : 'nothing at once'}${one.later.map(laterWords).join('')}`,
    ),
    ...made.unknown.map((words) => `not known: ${words}`),
  ];
  write('-', `${lines.join('\n')}\n`);
  return 0;
}

/** Plug in what has no plug yet, with the reason for each. */
export function plugJob(path: string, options: Options): number {
  const out = needOut(options);
  const job = readJobFile(readText(path));
  const plan = planPlugs(job, limitsOf(options, 5));
  const { plugs, left, missing, wallsUnknown, proven, points, bound } = plan;
  write(out, writeJobFile(applyCommands(job, plugCommands(plan)).job));
  for (const { gear, plug, feedName, cordMm, why } of plugs)
    say(
      `${gear.name}, inlet ${plug.inlet}: ${feedName} ${plug.outlet}, cord of ${cordMm / 1000} m (${why.join('; ')})`,
    );
  for (const { gear, inlet, why } of left) say(`left: ${gear.name}, inlet ${inlet}: ${why}`);
  for (const { kind, count } of missing)
    say(`missing: ${counted(count, 'outlet')}${kind === null ? '' : ` ${outlets[kind].name}`}`);
  if (wallsUnknown) say('not known: how many outlets the wall has; answer it in the survey, or enter them');
  say(
    `${counted(plugs.length, 'plug')} put in (${proven ? 'proven best' : `best found, at most ${points - bound} points from the best`})`,
  );
  return 0;
}
