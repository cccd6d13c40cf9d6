import { describe, expect, it } from 'vitest';
import { apply, bench, counter, marrowby, quillback, surveyed } from '../../../../../tests/support/jobs';
import type { RunChanges } from '../../../job/commands/runs';
import type { Job } from '../../../job/document/job';
import { Gear } from '../../../job/records/gear';
import type { QuestionId } from '../../../job/records/questions';
import { answerCommand } from '../answers/answers';
import { acceptCommands } from '../proposeRuns';
import { adviceFor, chooseCommands } from './advisers';

const advice = (job: Job, id: string) => {
  const found = adviceFor(job).find((one) => one.id === id);
  if (!found) throw new Error(`no advice on ${id}`);
  return found;
};
const option = (job: Job, id: string, of: string) => {
  const found = advice(job, id).options.find((one) => one.id === of);
  if (!found) throw new Error(`no option ${of}`);
  return found;
};
const answered = (job: Job, answers: Partial<Record<QuestionId, string>>): Job =>
  apply(job, ...Object.entries(answers).map(([id, text]) => answerCommand(job, id as QuestionId, text ?? '')));
const runs = (count: number, fields: RunChanges = {}): Job =>
  bench(
    Object.fromEntries(
      Array.from({ length: count }, (_, at) => [
        `R${at}`,
        { room: 'Hall', outlet: `o${at}`, cable: 'Cat 6 U/UTP', lengthMm: 20_000, ...fields },
      ]),
    ),
  );
const stocked = (gear: Partial<Gear>[]): Job =>
  apply(
    bench(),
    { type: 'removeGear', gearIds: ['panel', 'switch'] },
    {
      type: 'addGear',
      gear: gear.map((one, at) =>
        Gear.parse({ id: `g${at}`, name: `Device ${at}`, kind: 'server', heightU: 1, depthMm: 200, ...one }),
      ),
    },
  );

describe('patch panel or plugs', () => {
  it('suggests plugs for a handful and a panel beyond', () => {
    expect(advice(runs(6), 'patch-panel').suggested).toBe('plugs');
    expect(advice(runs(7), 'patch-panel').suggested).toBe('panel');
  });

  it('counts minutes, ports with growth, and money from the prices of the job', () => {
    const job = answered(runs(10), {
      'growth-percent': '0',
      'cost-keystone-port': '4',
      'cost-hour': '30',
      'minutes-jack': '6',
      'cost-plug': '1',
      'minutes-plug': '3',
    });
    // Ten ports at 4, and ten ends of six minutes at 30 an hour.
    expect(option(job, 'patch-panel', 'panel')).toMatchObject({ ports: 10, minutes: 60, money: 40 + 30 });
    expect(option(job, 'patch-panel', 'plugs')).toMatchObject({ ports: 0, minutes: 30, money: 10 + 15 });
    const grown = answered(job, { 'growth-percent': '10', 'growth-years': '5' });
    expect(option(grown, 'patch-panel', 'panel').ports).toBe(17);
  });

  it('has nothing to say where there are no copper runs', () => {
    expect(adviceFor(bench()).map((one) => one.id)).not.toContain('patch-panel');
    expect(adviceFor(runs(3, { carries: 'coax' })).map((one) => one.id)).not.toContain('panel-kind');
  });
});

describe('panel kind', () => {
  it('suggests keystone where kinds are mixed, punch-down for very many of one kind', () => {
    expect(advice(quillback(), 'panel-kind').suggested).toBe('keystone');
    expect(advice(runs(20), 'panel-kind').suggested).toBe('keystone');
    expect(advice(runs(60), 'panel-kind').suggested).toBe('punch-down');
  });

  it('a punch-down panel is the cheapest a port at the prices that ship', () => {
    const money = advice(runs(24), 'panel-kind').options.map((one) => one.money ?? Number.NaN);
    expect(option(runs(24), 'panel-kind', 'punch-down').money).toBe(Math.min(...money));
  });
});

describe('category', () => {
  it.each([
    [{ speedMbps: 1000 }, '100', '5e'],
    [{ speedMbps: 1000 }, '1000', '6'],
    [{ speedMbps: 2500 }, '1000', '6'],
    [{ speedMbps: 10_000, lengthMm: 30_000 }, '1000', '6'],
    [{ speedMbps: 10_000, lengthMm: 40_000 }, '1000', '6A'],
    [{ speedMbps: 5000, lengthMm: 30_000 }, '100', '6'],
    [{ speedMbps: 5000, lengthMm: 60_000 }, '100', '6A'],
  ])('for %j and an internet of %s Mb/s suggests Cat %s', (fields, internet, suggested) => {
    const job = answered(runs(4, fields), { 'internet-mbps': internet });
    expect(advice(job, 'category').suggested).toBe(suggested);
  });

  it('counts the runs that would carry 10 Gb/s: 32 m and 5 m of cords on Cat 6, not 33 m (TSB-155-A, from memory)', () => {
    const words = (lengthMm: number) => option(runs(1, { lengthMm }), 'category', '6').pros[0];
    expect(words(32_000)).toBe('1 run of 1 would carry 10 Gb/s for sure.');
    expect(words(33_000)).toBe('0 runs of 1 would carry 10 Gb/s for sure.');
  });

  it('suggests nothing where no length is known, and takes no length for none', () => {
    const bare = advice(runs(3, { lengthMm: null }), 'category');
    expect(bare.suggested).toBeNull();
    expect(bare.options.map(({ money }) => money)).toEqual([null, null, null]);
    expect(bare.options[0]?.cons[0]).toContain('The length of 3 runs is not known');
  });

  it('prices the metres of the job', () => {
    const job = answered(runs(10), { 'cost-5e': '1', 'cost-6': '2', 'cost-6A': '3' });
    expect(advice(job, 'category').options.map((one) => one.money)).toEqual([200, 400, 600]);
  });

  it('found cables are not counted: they are there already', () => {
    expect(adviceFor(marrowby()).map((one) => one.id)).not.toContain('category');
  });
});

describe('runs an outlet', () => {
  it('reckons one, two and three runs to the same outlets', () => {
    const job = answered(runs(4), { 'minutes-pull': '20', 'minutes-pull-more': '3', 'minutes-jack': '5' });
    const minutes = advice(job, 'runs-per-outlet').options.map((one) => one.minutes);
    expect(minutes).toEqual([4 * (20 + 10), 4 * (23 + 20), 4 * (26 + 30)]);
    expect(advice(job, 'runs-per-outlet').options.map((one) => one.ports)).toEqual([4, 8, 12]);
  });

  it('chosen, it becomes the rule that wishes follow', () => {
    const site = surveyed();
    const chosen = apply(site, ...chooseCommands(site, advice(site, 'runs-per-outlet'), '3'));
    const before = acceptCommands(site, new Set(['wish-2']), counter('a'));
    const after = acceptCommands(chosen, new Set(['wish-2']), counter('a'));
    const count = (commands: typeof before) => (commands[0]?.type === 'addRuns' ? commands[0].runs.length : 0);
    expect([count(before), count(after)]).toEqual([2, 3]);
  });
});

describe('inherited cables', () => {
  it('keeps them while most reach and are of a known category', () => {
    const house = marrowby();
    expect(advice(house, 'inherited').suggested).toBe('keep');
    expect(option(house, 'inherited', 'keep').cons.join(' ')).toContain('2 tails too short');
    expect(option(house, 'inherited', 'keep').cons.join(' ')).toContain('2 cables of no known category');
    expect(option(house, 'inherited', 'keep').cons.join(' ')).toContain('never shown to be sound');
    const tested = answered(house, { 'inherited-tested': 'yes' });
    expect(option(tested, 'inherited', 'keep').cons.join(' ')).not.toContain('never shown');
  });

  it('replaces them where most are neither', () => {
    const bad = runs(4, { origin: 'found', cable: 'bell wire' });
    expect(advice(bad, 'inherited').suggested).toBe('replace');
  });
});

describe('rack type and size', () => {
  it.each([
    [[{ massKg: 2 }, { massKg: 3 }], {}, 'bracket'],
    [[{ massKg: 20 }, { massKg: 10 }], {}, 'enclosed'],
    [[{ massKg: 2 }, { massKg: 3 }], { dust: 'yes' }, 'enclosed'],
    [[{ massKg: 2 }], { public: 'yes' }, 'enclosed'],
    [[{ massKg: 40 }, { massKg: 30 }], {}, 'frame'],
  ] as const)('for %j and %j suggests %s', (gear, answers, suggested) => {
    expect(advice(answered(stocked([...gear]), answers), 'rack-type').suggested).toBe(suggested);
  });

  it('takes the deepest device with room for plugs, and units with growth under 80 %', () => {
    const job = answered(stocked([{ heightU: 4, depthMm: 360 }, { heightU: 1 }]), {
      'growth-percent': '10',
      'growth-years': '5',
    });
    // 5 U grow to 8.05 U; 80 % of 12 U are 9.6 U, of 9 U only 7.2 U.
    expect(option(job, 'rack-size', 'roomy').words).toBe('12 U, at least 450 mm deep');
    expect(option(job, 'rack-size', 'tight').words).toBe('6 U, at least 450 mm deep');
    expect(advice(job, 'rack-size').why).toContain('Device 0 is 360 mm deep');
  });
});
