import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { apply, bench, counter, marrowby, quillback, surveyed } from '../../../../tests/support/jobs';
import type { RuleSetId } from '../../base/standards/ruleSets';
import type { Command } from '../../job/commands/commands';
import type { Job } from '../../job/document/job';
import { Gear } from '../../job/records/gear';
import { QUESTION_IDS, type QUESTIONS, questionOf } from '../../job/records/questions';
import type { Run } from '../../job/records/run';
import { routeOf, runLength } from '../runs/routeLength';
import { planJob } from '../wholeJob/planJob';
import { adviceFor, chooseCommands } from './advice/advisers';
import { chosenCable, chosenOption } from './advice/chosen';
import { answerCommand, answerOf, answerText, figureOf } from './answers/answers';
import { siteOf } from './answers/site';
import { capacities, grownNeed } from './capacity';
import { cautionsFor } from './cautions';
import { openByItself } from './openPoints';
import { serves } from './outletRules';
import { acceptCommands, proposeRuns, surplusCommands } from './proposeRuns';

const answered = (job: Job, id: keyof typeof QUESTIONS, text: string) => apply(job, answerCommand(job, id, text));
const run = (job: Job, label: string) => Object.values(job.runs).find((one) => one.label === label) as Run;
const capacity = (job: Job, id: string) => capacities(job).find((one) => one.id === id);

describe('questions', () => {
  it('each change a computation, a caution or the record, and say which default holds', () => {
    const job = { ...bench(), answers: {} };
    for (const id of QUESTION_IDS) {
      const question = questionOf(id);
      expect(question.whatFor.length).toBeGreaterThan(3);
      expect(answerOf(job, id)).toBe(String(question.initial));
      if (question.kind === 'choice') expect(question.options.map((one) => one.value)).toContain(question.initial);
    }
  });

  it('take what is typed in the units of the job, and refuse the rest in words', () => {
    const metric = answered(bench(), 'slack-cabinet', '2.5');
    expect(figureOf(metric, 'slack-cabinet')).toBe(2500);
    const imperial = apply(metric, { type: 'editJob', changes: { units: 'imperial' } });
    expect(answerText(imperial, 'slack-cabinet')).toBe('8.2');
    expect(figureOf(answered(imperial, 'slack-cabinet', '10'), 'slack-cabinet')).toBe(3048);
    expect(() => answered(metric, 'growth-percent', 'a lot')).toThrow(/expected 0 to 100 %/);
    expect(() => answered(metric, 'growth-percent', '')).toThrow(/found nothing/);
    expect(() => answered(metric, 'damp', 'perhaps')).toThrow(/expected one of no, yes, unknown/);
  });

  it('fall back to the default where a kept value is out of its limits', () => {
    const bad: Command = {
      type: 'keepRows',
      rows: [{ table: 'answers', record: { id: 'growth-years', value: '900', note: '' } }],
    };
    expect(figureOf(apply(bench(), bad), 'growth-years')).toBe(5);
  });
});

describe('the plan', () => {
  const job = surveyed();
  const bare = (label: string): Job =>
    apply(job, { type: 'editRuns', edits: [{ runId: run(job, label).id, changes: { lengthMm: null } }] });

  it('stacks its floors: 2.7 m of room and 0.35 m of floor', () => {
    const { zOfFloor } = siteOf(job);
    expect([zOfFloor.get('floor-ground'), zOfFloor.get('floor-first')]).toEqual([0, 3050]);
  });

  it('gives the length of a run with a placed outlet: across, up, down, and slack at both ends', () => {
    // Outlet at 1.2, 2.6; entry at 8.95, 6.15 and 2.4 m high; cables cross at 2.7 m.
    const length = routeOf(bare('01'), run(bare('01'), '01'));
    expect(length).toMatchObject({ acrossMm: 7750 + 3550, verticalMm: 2400 + 300, slackMm: 3300, outletPlaced: true });
    expect(runLength(bare('01'), run(bare('01'), '01'))).toEqual({ mm: 17_300, from: 'route' });
    expect(runLength(job, run(job, '01'))).toEqual({ mm: 22_500, from: 'measured' });
  });

  it('takes the far corner of the room where the outlet has no place, and goes up to the next floor', () => {
    const there = routeOf(bare('12'), run(bare('12'), '12'));
    expect(there).toMatchObject({ acrossMm: 15_000 - 8950 + (10_000 - 6150), outletPlaced: false });
    const above = routeOf(bare('29'), run(bare('29'), '29'));
    expect(above?.verticalMm).toBe(2500 - 300 + (3050 + 2500 - 2400));
  });

  it('knows nothing of a room that is not drawn, or without a place for the cabinet', () => {
    expect(routeOf(bare('25'), run(bare('25'), '25'))).toBeNull();
    const nowhere = apply(bare('01'), {
      type: 'dropRows',
      table: 'places',
      ids: ['place-ground-ceiling-entry', 'place-ground-wall-cabinet'],
    });
    expect(routeOf(nowhere, run(nowhere, '01'))).toBeNull();
  });

  it('a farther outlet never makes a shorter run', () => {
    const outlet = Object.values(job.places).find((place) => place.name === 'desk left');
    if (!outlet) throw new Error('no outlet');
    const at = (xMm: number) => {
      const moved = apply(bare('01'), { type: 'keepRows', rows: [{ table: 'places', record: { ...outlet, xMm } }] });
      return routeOf(moved, run(moved, '01'))?.totalMm ?? 0;
    };
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 2700 }), fc.integer({ min: 0, max: 2700 }), (near, more) => {
        expect(at(5400 - near)).toBeLessThanOrEqual(at(Math.max(0, 5400 - near - more)));
      }),
      { numRuns: 30 },
    );
  });
});

describe('wishes', () => {
  const job = surveyed();
  const all = new Set(Object.keys(job.wishes));

  it('become runs by the rules, with their reason, and asking again shows only the difference', () => {
    const proposal = proposeRuns(job);
    expect(proposal.missing).toBe(1 + 2 + 4 + 1);
    for (const { reason } of proposal.wishes) expect(reason.length).toBeGreaterThan(20);
    const accepted = apply(job, ...acceptCommands(job, all, counter('new')));
    expect(Object.keys(accepted.runs)).toHaveLength(48);
    expect(proposeRuns(accepted).missing).toBe(0);
    expect(acceptCommands(accepted, all, counter('more'))).toEqual([]);
    const labels = Object.values(accepted.runs)
      .filter((one) => one.askedBy)
      .map((one) => one.label);
    expect(labels.sort()).toEqual(['39', '40', '41', '42', '43', '44', '45', '46']);
  });

  it('are served by what a room has already', () => {
    // The staff room has a run to a television.
    const staff = proposeRuns(job).wishes.find(({ wish }) => wish.id === 'wish-3');
    expect(staff).toMatchObject({ served: 1, runs: 4 });
    expect(staff?.missing.map((one) => one.device)).toEqual(['set-top box', 'player', 'aerial']);
    expect(staff?.reason).toMatch(/1 of them is there already/);
    expect(serves('computer', 'front desk PC')).toBe(true);
    expect(serves('computer', 'UPC scanner')).toBe(false);
    expect(serves('', 'front desk PC')).toBe(false);
  });

  it('of later stay later, and follow a rule that is changed', () => {
    const accepted = apply(job, ...acceptCommands(job, all, counter('new')));
    const later = Object.values(accepted.runs).filter((one) => one.scope === 'later');
    expect(later).toHaveLength(5);
    expect(later.filter((one) => one.carries === 'coax')).toHaveLength(1);
    const three = answered(accepted, 'runs-desk', '3');
    expect(proposeRuns(three).missing).toBe(1);
    const one = answered(accepted, 'runs-desk', '1');
    expect(proposeRuns(one).surplus.map(({ removable }) => removable)).toEqual([true]);
    expect(Object.keys(apply(one, ...surplusCommands(one)).runs)).toHaveLength(47);
  });

  it('that are taken back leave a spare where cable is there already', () => {
    const accepted = apply(job, ...acceptCommands(job, all, counter('new')));
    const camera = Object.values(accepted.runs).find((one) => one.askedBy.startsWith('wish-1'));
    const pulled = apply(
      accepted,
      { type: 'editRuns', edits: [{ runId: camera?.id ?? '', changes: { state: 'pulled' } }] },
      { type: 'dropRows', table: 'wishes', ids: ['wish-1'] },
    );
    const spare = apply(pulled, ...surplusCommands(pulled)).runs[camera?.id ?? ''];
    expect(spare).toMatchObject({ device: '', askedBy: '', poeW: null });
  });
});

describe('capacity', () => {
  it('grows by the share set: 40 ports at 10 % for 5 years are 64.4, so 65', () => {
    expect(grownNeed(40, 10, 5)).toBeCloseTo(64.42, 2);
    const job = answered(planJob(quillback()).job, 'growth-percent', '10');
    expect(capacity(job, 'panel')).toMatchObject({ has: 48, used: 40, grown: 65, state: 'too little', fullInYears: 2 });
  });

  it('warns from 80 % on, and counts what is for later as reserved', () => {
    const still = answered(planJob(quillback()).job, 'growth-percent', '0');
    expect(capacity(still, 'panel')).toMatchObject({ state: 'nearly full', fullInYears: null, free: 8 });
    const [first] = Object.values(still.runs);
    const later = apply(still, { type: 'editRuns', edits: [{ runId: first?.id ?? '', changes: { scope: 'later' } }] });
    expect(capacity(later, 'panel')).toMatchObject({ used: 39, reserved: 1, free: 8 });
  });

  it('lets a continuous load take 80 % of a breaker in North America (NFPA 70 210.20(A)), all of it under IEC 60364', () => {
    const job = answered(planJob(quillback()).job, 'mains-amps', '20');
    const amps = (rules: RuleSetId) => capacity(apply(job, { type: 'editJob', changes: { rules } }), 'amps');
    expect([amps('north-america')?.has, amps('europe')?.has]).toEqual([16, 20]);
    expect(amps('north-america')?.source.title).toMatch(/210\.20/);
    expect(amps('europe')?.source.title).toMatch(/IEC 60364/);
  });

  it('does not judge the current while the voltage is not known', () => {
    const alone = answered(bench({}, { powerW: 100 }), 'mains-used-amps', '0');
    const volts = (value: string) => capacity(answered(alone, 'mains-volts', value), 'amps');
    expect(volts('230')).toMatchObject({ unknown: 0, state: 'enough' });
    expect(volts('unknown')).toMatchObject({
      unknown: 1,
      state: 'not judged',
      name: 'Mains current, voltage not known',
    });
  });

  it('is infinite where something is needed and nothing is there', () => {
    const job = bench({ 1: { device: 'workstation', speedMbps: 10_000 } });
    expect(capacity(job, 'switch-5000')).toMatchObject({ has: 0, used: 1, share: Number.POSITIVE_INFINITY });
  });

  it('counts inlets, and what strips give and take', () => {
    const two = Gear.parse({
      id: 's',
      name: 'Server',
      kind: 'server',
      heightU: 1,
      depthMm: 500,
      inlet: 'c14',
      inlets: 2,
    });
    const strip = Gear.parse({
      id: 'p',
      name: 'Strip',
      kind: 'distribution',
      heightU: 1,
      depthMm: 60,
      inlet: 'cord',
      inlets: 1,
      outlets: [{ count: 8 }],
    });
    const job = answered(apply(bench(), { type: 'addGear', gear: [two, strip] }), 'mains-outlets', '2');
    // Two in the wall, one of them for the strip with its eight; panels and the strip itself need none.
    expect(capacity(job, 'outlets')).toMatchObject({ has: 9, used: 0, reserved: 2 });
  });

  it('counts no units for what stands on shelves or hangs at the side', () => {
    const shelved = { id: 'hub', name: 'Hub', kind: 'other' as const, heightU: 1, depthMm: 90, frame: 'free' as const };
    const upright = {
      id: 'up',
      name: 'Up',
      kind: 'distribution' as const,
      heightU: 10,
      depthMm: 50,
      frame: 'upright' as const,
    };
    const job = apply(bench(), { type: 'addGear', gear: [Gear.parse(shelved), Gear.parse(upright)] });
    expect(capacity(job, 'units')).toMatchObject({ has: 12, used: 2, reserved: 0 });
  });

  it('does not judge the current while a draw is not known, unless what is known is too much already', () => {
    const known = answered(bench({}, { powerW: 100 }), 'mains-used-amps', '0');
    // What else is on the circuit is not nothing where nobody said it.
    expect(capacity(bench({}, { powerW: 100 }), 'amps')).toMatchObject({ unknown: 1, state: 'not judged' });
    expect(capacity(known, 'amps')).toMatchObject({ unknown: 0, state: 'enough' });
    expect(capacity(answered(bench({}, { powerW: null }), 'mains-used-amps', '0'), 'amps')).toMatchObject({
      unknown: 1,
      state: 'not judged',
    });
    const passive = answered(bench({}, { powerW: null, heatW: null, kind: 'panel' }), 'mains-used-amps', '0');
    expect(capacity(passive, 'amps')?.unknown ?? 0).toBe(0);
  });
});

describe('advice', () => {
  const job = surveyed();

  it('shows both sides with figures, and suggests one of them', () => {
    for (const of of [job, marrowby()]) {
      for (const advice of adviceFor(of)) {
        expect(advice.options.length).toBeGreaterThanOrEqual(2);
        expect(advice.options.map((one) => one.id)).toContain(advice.suggested);
        for (const option of advice.options) {
          expect(option.pros.length).toBeGreaterThan(0);
          expect(Number.isFinite(option.money) && Number.isFinite(option.minutes)).toBe(true);
        }
      }
    }
    expect(adviceFor(marrowby()).map((one) => one.id)).toContain('inherited');
    expect(adviceFor(job).map((one) => one.id)).not.toContain('inherited');
  });

  it('costs more the more runs there are, and the finer the cable', () => {
    const category = adviceFor(job).find((one) => one.id === 'category');
    const money = category?.options.map((one) => one.money ?? Number.NaN) ?? [];
    expect([...money].sort((a, b) => a - b)).toEqual(money);
    const ways =
      adviceFor(job)
        .find((one) => one.id === 'runs-per-outlet')
        ?.options.map((one) => one.ports) ?? [];
    expect(ways[1]).toBe(2 * (ways[0] ?? 0));
  });

  it('keeps what was chosen, and new runs follow it', () => {
    const [advice] = adviceFor(job).filter((one) => one.id === 'category');
    if (!advice) throw new Error('no advice');
    const chosen = apply(job, ...chooseCommands(job, advice, '6A'));
    expect(chosenOption(chosen, 'category')).toBe('6A');
    expect([chosenCable(job), chosenCable(job, true), chosenCable(chosen)]).toEqual([
      'Cat 6 U/UTP',
      'Cat 6A F/UTP',
      'Cat 6A F/UTP',
    ]);
  });
});

describe('cautions and open points', () => {
  it('stand where they apply, once', () => {
    const said = cautionsFor(surveyed()).map((one) => one.id);
    expect(said).toEqual(expect.arrayContaining(['old-boards', 'fire-walls', 'mains', 'outdoor', 'mains-near']));
    expect(said).not.toContain('air-space');
    expect(new Set(said).size).toBe(said.length);
    expect(cautionsFor(bench()).map((one) => one.id)).toContain('mains');
  });

  it('list what is later, not traced, kept free or not decided', () => {
    const quillback = openByItself(surveyed());
    expect(quillback.some((words) => words.startsWith('Later: 1 television point in Staff room'))).toBe(true);
    expect(quillback.some((words) => words.startsWith('Kept free: the second ceiling entry'))).toBe(true);
    expect(openByItself(marrowby())).toContain('15 cables not traced yet.');
  });
});
