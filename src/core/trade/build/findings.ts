import { commonPractice, type Source } from '../../base/standards/source';
import { counted } from '../../base/text/counted';
import { addDays } from '../../base/text/days';
import type { Grade } from '../../base/text/grade';
import { formatAbout } from '../../base/units/minutes';
import type { Job } from '../../job/document/job';
import { type BuildPlan, mustBeUp } from './buildPlan';
import { type KitLine, lateOn } from './kit';

/** What stands against the build, in words, with where it comes from. */
export type BuildFinding = {
  id: string;
  grade: Grade;
  what: string;
  why: string;
  source: Source;
  steps: readonly string[];
};

const round = (minutes: number): number => Math.ceil(minutes - 1e-9);

/** Everything that stands against building it so. */
export function buildFindings(job: Job, plan: BuildPlan, kit: readonly KitLine[]): BuildFinding[] {
  const findings = [
    ...noOrder(plan),
    ...lateParts(plan, kit),
    ...inHours(job, plan),
    ...downTooLong(job, plan),
    ...windows(plan),
    ...hands(plan),
    ...parkedOver(plan),
    ...redundantTogether(plan),
    ...ticksOutOfOrder(plan),
    ...withoutPhotograph(plan),
    ...withoutLabel(job, plan),
  ];
  const rank: Record<Grade, number> = { 'wont-work': 0, 'will-bite': 1, 'not-judged': 2, 'could-be-neater': 3 };
  return findings.sort((a, b) => rank[a.grade] - rank[b.grade]);
}

const of = (
  id: string,
  grade: Grade,
  what: string,
  why: string,
  steps: readonly string[] = [],
  source: Source = commonPractice,
): BuildFinding => ({ id, grade, what, why, source, steps });

const noOrder = ({ order }: BuildPlan): BuildFinding[] =>
  order.cost !== null
    ? []
    : [
        of(
          'no-order',
          'wont-work',
          order.proven
            ? `There is no order in which the cut-over can be done.${order.lets.length > 0 ? ` One of these would let it: ${order.lets.map(({ words }) => words).join(' ')}` : ''}`
            : 'No order of the cut-over was found in the time that there was; whether there is one is not known.',
          'Places block each other, and nothing more may be set aside.',
        ),
      ];

function lateParts(plan: BuildPlan, kit: readonly KitLine[]): BuildFinding[] {
  const findings: BuildFinding[] = [];
  const why = 'A visit that cannot end whole is better known before driving.';
  for (const { visit, planned } of plan.visits) {
    const here = new Set(planned.map(({ entry }) => entry.step.id));
    const late = kit.flatMap((line) => {
      const waiting = line.steps.filter((step) => here.has(step));
      const when = waiting.length > 0 ? lateOn(line, visit.on) : null;
      return when ? [{ line, waiting, due: when.due }] : [];
    });
    for (const { line, waiting, due } of late.filter((one) => one.line.status?.state === 'ordered'))
      findings.push(
        of(
          `late ${visit.id} ${line.item}`,
          'wont-work',
          `${visit.name}, ${visit.on}: ${line.item} is ${due === null ? 'ordered, for no day' : `due ${due}`}; ${counted(waiting.length, 'step')} ${waiting.length === 1 ? 'waits' : 'wait'} for it.`,
          why,
          waiting,
        ),
      );
    // What nobody marked as there is one thing to say, not one for each screw.
    const missing = late.filter((one) => one.line.status?.state !== 'ordered');
    if (missing.length > 0)
      findings.push(
        of(
          `missing ${visit.id}`,
          'will-bite',
          `${visit.name}, ${visit.on}: ${counted(missing.length, 'part')} ${missing.length === 1 ? 'is' : 'are'} not marked as at hand: ${missing.map(({ line }) => line.item).join('; ')}.`,
          why,
          missing.flatMap(({ waiting }) => waiting),
        ),
      );
  }
  return findings;
}

function inHours(job: Job, plan: BuildPlan): BuildFinding[] {
  const hours = Object.values(job.upHours);
  return plan.dark.flatMap(({ service, stretches }) => {
    const own = hours.find((row) => row.service.toLowerCase() === service.toLowerCase());
    const bad = own ? stretches.filter(({ from, to }) => from !== null && to !== null && mustBeUp(own, from, to)) : [];
    const [first] = bad;
    if (!first || !own) return [];
    return [
      of(
        `in-hours ${service}`,
        'wont-work',
        `${service} is down ${round(bad.reduce((sum, { minutes }) => sum + minutes, 0))} min while it must be up (${own.from} to ${own.to}), first at ${first.from?.replace('T', ' ')}.`,
        'Somebody said that it must be up then.',
      ),
    ];
  });
}

const downTooLong = (job: Job, plan: BuildPlan): BuildFinding[] =>
  plan.dark.flatMap(({ service, minutes, stretches }) => {
    const most = Object.values(job.upHours).find((row) => row.service.toLowerCase() === service.toLowerCase())?.mostMin;
    if (most === undefined || most === null || minutes <= most) return [];
    const longest = Math.max(...stretches.map((one) => one.minutes));
    return [
      of(
        `down-long ${service}`,
        'will-bite',
        `${service} is down ${round(minutes)} min in all, ${round(longest)} at a stretch; ${most} min were asked for at most.`,
        'Somebody said how long it may be down.',
      ),
    ];
  });

function windows(plan: BuildPlan): BuildFinding[] {
  const findings: BuildFinding[] = [];
  if (plan.unplacedMin > 0.5)
    findings.push(
      of(
        'no-window',
        plan.visits.length === 0 ? 'could-be-neater' : 'wont-work',
        plan.visits.length === 0
          ? `No visit is planned: about ${formatAbout(plan.unplacedMin)} of work has no date.`
          : `About ${formatAbout(plan.unplacedMin)} of work does not fit in the visits. Add one, or make one longer.`,
        'What has no window is done in somebody’s evening.',
        plan.planned.filter(({ visit }) => visit === null).map(({ entry }) => entry.step.id),
      ),
    );
  for (const { visit, lastMin, planned } of plan.visits) {
    if (lastMin === null) continue;
    const last = planned.findLast(({ entry }) => entry.phase === 'cutover');
    if (last && last.startMin > lastMin)
      findings.push(
        of(
          `no-way-back ${visit.id}`,
          'will-bite',
          `${visit.name}: ${lastMin < 0 ? 'no moment leaves' : `only until ${round(lastMin)} min after the beginning is there`} time to undo and to verify; the last change begins ${round(last.startMin)} min after it.`,
          'Last moment to go on: end of the window less the time to undo and to verify; the undoing rehearsed.',
        ),
      );
  }
  return findings;
}

function hands(plan: BuildPlan): BuildFinding[] {
  const findings: BuildFinding[] = [];
  for (const { entry, visit, key } of plan.planned) {
    const { step } = entry;
    if (step.who === 'two' && visit !== null && visit.people < 2 && plan.cutover.hands < 2)
      findings.push(
        of(
          `lift ${key}`,
          'will-bite',
          `${step.words} is a lift for two; ${visit.name} has one person.`,
          'One person lifts what one person may.',
          [step.id],
        ),
      );
    if (step.who === 'electrician' && !plan.cutover.electrician && !(visit?.electrician ?? false))
      findings.push(
        of(
          `electrician ${key}`,
          'wont-work',
          `${step.words}: nobody is engaged for it.`,
          'Mains work and new circuits: a licensed electrician, by local code.',
          [step.id],
        ),
      );
  }
  return findings;
}

/** Devices that stand out of the cabinet when a visit ends. */
const parkedOver = (plan: BuildPlan): BuildFinding[] =>
  plan.visits.flatMap(({ visit, planned, endsSafe }) => {
    const out = planned.at(-1)?.parked ?? [];
    return endsSafe || out.length === 0
      ? []
      : [
          of(
            `parked ${visit.id}`,
            'will-bite',
            `${visit.name} ends with ${counted(out.length, 'device')} out of the cabinet.`,
            'What stands about over night is knocked over, or missed.',
            out,
          ),
        ];
  });

/** Two uplinks of one device out at once although one of them would do. */
function redundantTogether(plan: BuildPlan): BuildFinding[] {
  const bad: string[] = [];
  for (const { entry, parked } of plan.planned) {
    if (entry.step.kind !== 'link') continue;
    const others = parked.filter((id) => id.startsWith('link-') && id !== entry.step.id);
    if (others.length > 0) bad.push(entry.step.id);
  }
  return bad.length === 0
    ? []
    : [
        of(
          'links-together',
          'will-bite',
          `${counted(bad.length + 1, 'uplink')} are out at the same time.`,
          'One of two redundant links at a time.',
          bad,
        ),
      ];
}

/** What was ticked although something that it stands on is not. */
function ticksOutOfOrder({ steps, tickOf }: BuildPlan): BuildFinding[] {
  const words = new Map(steps.map((step) => [step.id, step.words]));
  const isOver = (id: string) => tickOf.get(id)?.state === 'done' || tickOf.get(id)?.state === 'skipped';
  return steps.flatMap((step) => {
    if (tickOf.get(step.id)?.state !== 'done') return [];
    const isOff = (id: string) => isOver(id) || tickOf.get(`park-${id}`)?.state === 'done';
    const open = [
      ...step.clearOf.filter((id) => !isOff(id)),
      ...[...new Set([...step.takeNeeds, ...step.putNeeds])].filter((id) => !isOver(id)),
    ];
    return open.length === 0
      ? []
      : [
          of(
            `out-of-order ${step.id}`,
            'will-bite',
            `${step.words} is ticked, though it stands on what is not: ${open.map((id) => words.get(id) ?? id).join('; ')}.`,
            'A tick on top of what is not there is found out at the test.',
            [step.id, ...open],
          ),
        ];
  });
}

const withoutPhotograph = ({ steps, tickOf }: BuildPlan): BuildFinding[] => {
  const bare = steps.filter((step) => {
    const tick = tickOf.get(step.id);
    return step.photograph && step.kind === 'gear' && tick?.state === 'done' && !tick.photographed;
  });
  return bare.length === 0
    ? []
    : [
        of(
          'no-photograph',
          'could-be-neater',
          `${counted(bare.length, 'device')} ${bare.length === 1 ? 'was' : 'were'} touched without a photograph of what was there.`,
          'The picture is the way back.',
          bare.map(({ id }) => id),
        ),
      ];
};

/** Runs whose step needs a label that says something. */
function withoutLabel(job: Job, { planned }: BuildPlan): BuildFinding[] {
  const bare = planned.filter(({ entry }) => {
    const run = job.runs[entry.step.runId ?? ''];
    return run !== undefined && run.label.trim() === '' && (entry.step.kind === 'land' || entry.step.kind === 'cord');
  });
  return bare.length === 0
    ? []
    : [
        of(
          'no-label',
          'will-bite',
          `${counted(bare.length, 'step')} ${bare.length === 1 ? 'is' : 'are'} about a run without a label.`,
          'Nobody finds an unlabelled end twice.',
          bare.map(({ entry }) => entry.step.id),
        ),
      ];
}

/** The first day on which everything that was ordered is there; null: something has no day. */
export function allThereOn(kit: readonly KitLine[], today: string): string | null {
  let day = today;
  for (const line of kit) {
    const late = lateOn(line, day);
    if (!late) continue;
    if (late.due === null) return null;
    day = addDays(late.due, 1);
  }
  return day;
}
