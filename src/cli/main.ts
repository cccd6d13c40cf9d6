import { randomUUID } from 'node:crypto';
import { resolve } from 'node:path';
import type { z } from 'zod';
import { citeFor } from '../core/base/standards/cite';
import { rulesNamed } from '../core/base/standards/countries';
import { RULE_SETS } from '../core/base/standards/ruleSets';
import { counted } from '../core/base/text/counted';
import { given } from '../core/base/text/given';
import { GRADE_WORDS } from '../core/base/text/grade';
import { Refusal, refuse } from '../core/base/text/refusal';
import { formatLength } from '../core/base/units/length';
import { readCsvTable } from '../core/exchange/formats/csvTable';
import { decodeText } from '../core/exchange/formats/decodeText';
import { readGearFile } from '../core/exchange/formats/gearFile';
import { issueWords, parseJson, readJobFile, writeJobFile } from '../core/exchange/formats/jobFile';
import { faultWords, importCommand, previewRuns } from '../core/exchange/formats/previewRuns';
import { SCHEMAS } from '../core/exchange/formats/schemas';
import { TAKEAWAYS, type TakeawayId, takeawayOf } from '../core/exchange/formats/takeaways';
import { findSnags, findUnjudged } from '../core/findings/snags/findSnags';
import { applyCommands } from '../core/job/commands/apply';
import type { Command } from '../core/job/commands/commands';
import { patchCordsOf } from '../core/job/document/cordKinds';
import { emptyJob } from '../core/job/document/job';
import { readLabelOptions } from '../core/trade/labels/labelOptions';
import { labelPages } from '../core/trade/labels/labelPages';
import { judgedOnDay } from '../core/trade/power/cooling/upsFacts';
import { arrange } from '../core/trade/rack/arrange/arrange';
import { isSchool, SCHOOLS, wishOf } from '../core/trade/rack/arrange/arrangeWish';
import { cablePlanCommands, planCable } from '../core/trade/runs/cablePlan';
import { guessColumns } from '../core/trade/runs/runColumns';
import { planJob } from '../core/trade/wholeJob/planJob';
import { makeTakeaway } from '../print/makeTakeaway';
import { jobInPack, looksLikePack } from '../print/readPack';
import { cutoverOfJobs } from './buildJob';
import { diagnoseOfJob } from './diagnoseJob';
import { diffFiles } from './diffFiles';
import { needOut, readBytes, readText, say, write } from './io';
import { landJob, patchJob } from './landAndPatch';
import { CablesInstance, solveCables } from './models/cables';
import { CutoverInstance, solveCutover } from './models/cutover';
import { DiagnoseInstance, solveDiagnose } from './models/diagnose';
import { LayoutInstance, solveLayout } from './models/layout';
import { PatchInstance, solvePatch } from './models/patch';
import { solveTails, TailsInstance } from './models/tails';
import { limitsOf, type Options, readArguments } from './options';
import { addToJob, verifyPack } from './packJob';
import { dayOf, plugJob, powerOfJob } from './powerJob';
import { reckonEntry } from './reckonEntry';
import { reconcileJob, walkOfJob } from './switchJob';
import { testsOfJob } from './testsJob';

const takeawayList = TAKEAWAYS.map(({ id, about }) => `                      ${id.padEnd(17)} ${about}`).join('\n');

const HELP = `bin/shelf: plan a cabinet from the command line, without database or browser

  import RUNS.csv [--gear GEAR.json] [--name NAME] [--units metric|imperial] [--rules REGION|COUNTRY] [--skip-bad-rows]
        -o JOB.json
                    read runs, and racks and gear, into a new job; REGION is one of
                    ${RULE_SETS.join(', ')}
  plan JOB.json [--include-spare] -o JOB.json
                    place, land and patch what is not decided yet
  check JOB.json [--today DAY] [--json]
                    list the snags, and what cannot be judged since something is not known; exit 1 when something will
                    not work; batteries are judged by the day that the job says, else by DAY or today
  export JOB.json --as NAME -o FILE
                    NAME is one of
${takeawayList}
                    labels take --kind wrap|flag|tape|faceplate|strip|mains|outlets, --sheet NAME or --own MEASURES (mm: page
                    width, height, columns, rows, label width, height, left, top, gap across, gap down),
                    and --code-for URL, which the label is added to; what is about the build takes --today FILE, the
                    job as it stands; --named WORDS says of which version it is, --sections what pack.pdf holds
  buy JOB.json [--seconds N] [--seed N] -o JOB.json
                    plan which run is cut from which box of cable
  arrange JOB.json [--school sandwich|managers|entry] [--seconds N] [--seed N] [-o JOB.json]
                    propose places for all gear, with the reason for each; -o writes the job with it
  land JOB.json [--order label|room|plate|bundle] [--anew] [--seconds N] [--seed N] -o JOB.json
                    land the runs that wait, or with --anew all of them; short tails go where they reach
  patch JOB.json [--school short|number|network] [--moves none|few|free] [--include-spare] [--seconds N] [--seed N]
        -o JOB.json
                    patch runs to switch ports, with the reason for each; --moves says what becomes of cords there are
  power JOB.json [--today DAY] [--json]
                    circuits, battery units, heat, noise, recordings, and what goes dark when a part fails; batteries
                    are judged by today, or by DAY
  plug JOB.json [--seconds N] -o JOB.json
                    an outlet for every inlet that has none, with the reason for each
  tests JOB.json [--json]
                    the verdict on every run: passed, failed, incomplete, not tested or not judged, why, and who accepted
                    it without; exit 1 when one failed
  cutover TODAY.json|none PLAN.json [--json] [--seconds N] [-o FILE]
                    steps from what stands to the plan, in the order that keeps most up, with visits, kit and what stands
                    against it; exit 1 when it cannot be done so
  diagnose JOB.json --seen TEXT|FILE [--json] [-o FILE]
                    the cheapest way to the fault of runs; TEXT is such as "12: slow; 14: dark; 15: sound"
  walk JOB.json --switch NAME [--fault "exchanged 3 7" …] [--serve PORT] [-o FILE]
                    what a simulated switch would answer to a walk over the standard modules; or it answers itself
  reconcile JOB.json --switch NAME --walk FILE [--json]
                    the plan against what a switch sees, explained by the fewest causes; exit 1 when they differ
  add JOB.json --what DEVICE --where ROOM [--json] [-o JOB.json]
                    ways to bring one more device into a room: run, ports, cord, watts, minutes; exit 1 when there is none
  verify PACK.zip   whether every file of a pack is as it was; exit 1 when one is not
  diff A.json B.json [--json] [-o FILE]
                    what differs between two jobs, in words, or as changes and commands; exit 1 when they differ
  solve cables|cutover|diagnose|layout|patch|tails INSTANCE.json [--seconds N] [--seed N] [-o FILE]
                    solve an instance of a model; see docs/command-line.md
  reckon --list [--json]
  reckon ENTRY NAME=VALUE … [--json]
                    a formula, table or rule of the handbook with these numbers: value, unit, formula, source
  schema [--of job|gear] [-o FILE]
                    the JSON Schema of the job file, or of the gear file

-o - writes to standard output. Exit 0: done. 1: check found something that won't work, or diff a difference.
2: the command or a file could not be taken, and nothing was written.
`;

// Both this folder and the one bin/shelf puts its program in lie two below the root.
const ROOT = resolve(import.meta.dirname, '../..');

function importRuns(path: string, options: Options): number {
  const out = needOut(options);
  const bytes = readBytes(path);
  if (looksLikePack(bytes)) {
    write(out, writeJobFile(readJobFile(jobInPack(bytes))));
    return 0;
  }
  const units = options.units ?? 'metric';
  if (units !== 'metric' && units !== 'imperial') return refuse('usage', '--units: expected metric or imperial.');
  const region = rulesNamed(options.rules ?? 'other');
  if (!region)
    return refuse(
      'usage',
      `--rules: expected one of ${RULE_SETS.join(', ')} or a country such as GB, found “${options.rules}”.`,
    );
  const name = options.name ?? (path.split('/').at(-1) ?? '').replace(/\.[^.]*$/, '');
  const commands: Command[] = [];
  if (options.gear !== undefined) {
    const { racks, gear } = readGearFile(readText(options.gear));
    for (const rack of racks) commands.push({ type: 'addRack', rack });
    if (gear.length > 0) commands.push({ type: 'addGear', gear });
  }
  const start = applyCommands(emptyJob({ id: randomUUID(), name: name || 'Job', units, ...region }), commands).job;

  const table = readCsvTable(decodeText(bytes).text);
  const map = guessColumns(table.header, units);
  if (table.above > 0) say(`${path}: ${counted(table.above, 'line')} above the header left out`);
  for (const [at, heading] of table.header.entries())
    say(`${path}: column ${heading === '' ? at + 1 : `“${heading}”`} → ${map[at] ?? 'ignored'}`);
  const preview = previewRuns(start, table, map);
  const tagged = preview.rows.filter((row) => row.tagged);
  if (tagged.length > 0)
    say(
      `${path}: ${counted(tagged.length, 'row')} without a label, now ${tagged[0]?.fields.label} to ${tagged.at(-1)?.fields.label}`,
    );
  const faults = preview.rows.flatMap((row) => row.faults.map((fault) => faultWords(row.line, fault)));
  for (const words of faults) say(`${path}: ${words}`);
  if (faults.length > 0 && !options['skip-bad-rows']) {
    return refuse(
      'bad-rows',
      `${counted(preview.counts['not taken'], 'row')} cannot be taken, so nothing was written. Mend them, or leave them out with --skip-bad-rows.`,
    );
  }
  const command = importCommand(preview, randomUUID);
  const job = command ? applyCommands(start, [command]).job : start;
  write(out, writeJobFile(job));
  say(
    `${counted(preview.counts.new, 'run')}, ${counted(Object.keys(job.gear).length, 'device')}, ${counted(Object.keys(job.racks).length, 'rack')} written to ${out}`,
  );
  return 0;
}

function plan(path: string, options: Options): number {
  const out = needOut(options);
  const { job, left } = planJob(readJobFile(readText(path)), { includeSpare: options['include-spare'] ?? false });
  write(out, writeJobFile(job));
  const count = (rows: object) => Object.keys(rows).length;
  say(
    `${counted(count(job.placements), 'device')} placed, ${counted(count(job.landings), 'run')} landed, ${counted(count(patchCordsOf(job)), 'run')} patched`,
  );
  for (const why of left) say(`left: ${why}`);
  return 0;
}

function check(path: string, options: Options): number {
  const job = judgedOnDay(readJobFile(readText(path)), dayOf(options));
  const snags = [...findSnags(job), ...findUnjudged(job)];
  if (options.json) {
    const plain = snags.map(({ mends, source, ...snag }) => ({
      ...snag,
      source: citeFor(source, job.rules),
      mends: mends(job).map(({ label }) => label),
    }));
    write('-', `${JSON.stringify(plain, null, 2)}\n`);
  } else {
    for (const { grade, what, source } of snags)
      write('-', `${GRADE_WORDS[grade]}: ${what} [${citeFor(source, job.rules)}]\n`);
    const unjudged = snags.filter(({ grade }) => grade === 'not-judged').length;
    const count = snags.length - unjudged;
    const rest = unjudged > 0 ? ` ${counted(unjudged, 'thing')} not judged.` : '';
    write('-', `${count === 0 ? 'No snags.' : `${counted(count, 'snag')}.`}${rest}\n`);
  }
  return snags.some(({ grade }) => grade === 'wont-work') ? 1 : 0;
}

function buy(path: string, options: Options): number {
  const out = needOut(options);
  const job = readJobFile(readText(path));
  const made = planCable(job, limitsOf(options, 2), randomUUID);
  const commands = cablePlanCommands(job, made);
  write(out, writeJobFile(commands.length > 0 ? applyCommands(job, commands).job : job));
  for (const { cable, runs, opened, scrapMm, proven } of made.buys) {
    const proof = proven ? 'proven the fewest and the least' : 'best found, not proven';
    say(
      `${cable}: ${counted(runs, 'run')}, ${counted(opened, 'box', 'boxes')} to buy, ${formatLength(scrapMm, job.units)} of scrap (${proof})`,
    );
  }
  for (const { why } of made.left) say(`left: ${why}`);
  return 0;
}

function arrangeJob(path: string, options: Options): number {
  const job = readJobFile(readText(path));
  const { school = wishOf(job).school } = options;
  if (!isSchool(school)) return refuse('usage', `--school: expected one of ${SCHOOLS.join(', ')}, found “${school}”.`);
  const made = arrange(job, { ...wishOf(job), school }, limitsOf(options, 10));
  for (const { place, name, was, moved, why, second } of made.places) {
    const from = moved && was !== null ? `, from ${was}` : '';
    const next = second ? ` Next best ${second.place}: ${second.points.toFixed(1)} more (${second.why}).` : '';
    write('-', `${place}: ${name}${from}. ${why}${next}\n`);
  }
  for (const note of made.notes) say(note);
  for (const { why } of made.left) say(`left: ${why}`);
  const { cordsMm, freeU, moves, minutes, hotPairs } = made.figures;
  const proof = made.proven
    ? 'proven best'
    : `best found, at most ${(made.cost - made.bound).toFixed(1)} points from the best`;
  say(
    `${made.cost.toFixed(1)} points (${proof}); cords about ${formatLength(cordsMm, job.units)}, ${counted(hotPairs, 'hot pair')}, ${counted(freeU, 'unit')} free in one piece, ${counted(moves, 'move')}, ${minutes} min`,
  );
  if (options.out !== undefined)
    write(options.out, writeJobFile(made.commands.length > 0 ? applyCommands(job, made.commands).job : job));
  return 0;
}

/** An instance read by its model's schema. */
function readInstance<T>(schema: z.ZodType<T>, data: unknown): T {
  const checked = schema.safeParse(data);
  if (checked.success) return checked.data;
  return refuse('instance', `The instance is not as its model says. ${issueWords(checked.error).join('; ')}.`);
}

const MODELS: Record<string, (data: unknown, options: Options) => object> = {
  cables: (data, options) => solveCables(readInstance(CablesInstance, data), limitsOf(options, 10)),
  cutover: (data, options) => solveCutover(readInstance(CutoverInstance, data), limitsOf(options, 5)),
  diagnose: (data, options) => solveDiagnose(readInstance(DiagnoseInstance, data), limitsOf(options, 1)),
  layout: (data, options) => solveLayout(readInstance(LayoutInstance, data), limitsOf(options, 20)),
  patch: (data, options) => solvePatch(readInstance(PatchInstance, data), limitsOf(options, 5)),
  tails: (data, options) => solveTails(readInstance(TailsInstance, data), limitsOf(options, 5)),
};

function solve(model: string, path: string | undefined, options: Options): number {
  const run = Object.hasOwn(MODELS, model) ? MODELS[model] : undefined;
  if (!run || path === undefined)
    return refuse('usage', `solve takes a model (${Object.keys(MODELS).join(', ')}) and one file.`);
  write(options.out, `${JSON.stringify(run(parseJson(readText(path), 'The instance'), options), null, 2)}\n`);
  return 0;
}

async function exportJob(path: string, options: Options): Promise<number> {
  const takeaway = takeawayOf(options.as ?? '');
  if (!takeaway) return refuse('usage', `--as: expected one of ${TAKEAWAYS.map(({ id }) => id).join(', ')}.`);
  const out = needOut(options);
  const job = readJobFile(readText(path));
  const { kind, sheet, own, 'code-for': codeFor, by, show, sections } = options;
  const words = { kind, sheet, own, codeFor, by, show, sections };
  const today =
    options.today === undefined || takeaway.station !== 'build' ? null : readJobFile(readText(options.today));
  const about = {
    version: options.named || 'A state without a name',
    at: new Date().toISOString(),
    address: options['code-for'] ?? '',
  };
  write(out, await makeTakeaway(takeaway.id as TakeawayId, job, { words: given(words), root: ROOT, today, about }));
  if (takeaway.options.includes('labels')) {
    for (const fault of labelPages(job, readLabelOptions(given({ kind, sheet, own, codeFor }))).faults) say(fault);
  }
  return 0;
}

function schema(options: Options): number {
  const of = `${options.of ?? 'job'}.json`;
  const make = Object.hasOwn(SCHEMAS, of) ? SCHEMAS[of] : undefined;
  if (!make) return refuse('usage', '--of: expected job or gear.');
  write(options.out, `${JSON.stringify(make(), null, 2)}\n`);
  return 0;
}

/** Run one command line. @returns the exit code */
export async function main(args: string[]): Promise<number> {
  try {
    const { values, positionals } = readArguments(args);
    const [verb, path, ...more] = positionals;
    if (values.help || verb === undefined || verb === 'help') {
      process.stdout.write(HELP);
      return 0;
    }
    if (verb === 'schema') return schema(values);
    if (verb === 'solve') return solve(path ?? '', more[0], values);
    if (verb === 'reckon') return reckonEntry(path === undefined ? [] : [path, ...more], values);
    if (verb === 'cutover') {
      if (path === undefined || more.length !== 1)
        return refuse('usage', 'cutover takes two job files, or none and one.');
      return cutoverOfJobs(path, more[0] ?? '', values);
    }
    if (verb === 'diff') {
      if (path === undefined || more.length !== 1) return refuse('usage', 'diff takes two job files.');
      return diffFiles(path, more[0] ?? '', values);
    }
    const verbs: Record<string, (path: string, options: Options) => number | Promise<number>> = {
      import: importRuns,
      plan,
      check,
      export: exportJob,
      buy,
      arrange: arrangeJob,
      land: landJob,
      patch: patchJob,
      power: powerOfJob,
      plug: plugJob,
      tests: testsOfJob,
      diagnose: diagnoseOfJob,
      walk: walkOfJob,
      reconcile: reconcileJob,
      add: addToJob,
      verify: verifyPack,
    };
    const run = Object.hasOwn(verbs, verb) ? verbs[verb] : undefined;
    if (!run)
      return refuse(
        'usage',
        `There is no command ${verb}: expected import, plan, arrange, buy, land, patch, power, plug, tests, check, export, cutover, diagnose, walk, reconcile, add, verify, diff, reckon, solve or schema.`,
      );
    if (path === undefined || more.length > 0) return refuse('usage', `${verb} takes one file. See bin/shelf --help.`);
    return await run(path, values);
  } catch (fault) {
    const usage = fault instanceof TypeError && (fault as NodeJS.ErrnoException).code?.startsWith('ERR_PARSE_ARGS');
    if (!(fault instanceof Refusal) && !usage) throw fault;
    say((fault as Error).message);
    return 2;
  }
}
