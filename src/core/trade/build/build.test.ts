import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { examples } from '../../../../tests/support/examples';
import { apply, ostermoor, tarnbrook } from '../../../../tests/support/jobs';
import { powered } from '../../../../tests/support/powered';
import { kitCsv } from '../../exchange/formats/kitCsv';
import { visitsIcs } from '../../exchange/formats/visitsIcs';
import { applyChanges, diffJobs, invert } from '../../job/document/change';
import { patchCordsOf } from '../../job/document/cordKinds';
import { emptyJob, type Job } from '../../job/document/job';
import { indexJob } from '../../job/document/jobIndex';
import { tablesThat } from '../../job/document/tables';
import { holeCard } from '../../job/rack/holes';
import { upHours } from '../../job/records/upHours';
import { patchCommands } from '../patching/patchCommands';
import { planPatching } from '../patching/planPatching';
import { servicesOf } from '../power/dependencies/services';
import { toPull } from '../runs/cablePlan';
import { otherwise, tickCommands } from './asBuilt';
import { buildPapers } from './buildPapers';
import { type BuildPlan, buildPlan, cutoverOf, mustBeUp } from './buildPlan';
import { deriveSteps } from './deriveSteps';
import { isThere } from './kit';
import { outageNotice } from './notices';
import { inTradeOrder } from './orderSteps';
import { jobAfter } from './play';
import { serviceParts } from './serviceWays';

const limits = () => ({ seed: 1, now: () => performance.now(), untilMs: performance.now() + 20_000 });
const [today, plan] = [ostermoor('today'), ostermoor('plan')];
const made = buildPapers(today, plan, limits());

const newMap = (): [Job, Job] => {
  const was = tarnbrook();
  return [was, apply(was, ...patchCommands(planPatching(was, { moves: 'free' })))];
};

/** Differences of what is built. */
const BUILT = new Set(tablesThat(({ about }) => about === 'plan'));
const differences = (a: Job, b: Job) => diffJobs(a, b).filter(({ table }) => table === null || BUILT.has(table));

describe('steps from today to the plan', () => {
  it.each([
    ['a cabinet rebuilt in place', () => [today, plan] as const],
    ['a map that is patched anew', () => newMap()],
    ['a new site', () => [null, powered()] as const],
    ['a cabinet taken down', () => [powered(), emptyJob({ id: 'none', name: 'None' })] as const],
  ])('played through end exactly at the plan, and played back at today: %s', (_, jobs) => {
    const [was, is] = jobs();
    const start = was ?? emptyJob({ id: is.id, name: is.name, units: is.units, rules: is.rules });
    const papers = buildPlan(was, is, limits());
    const end = jobAfter(papers.present, papers.planned, papers.planned.length);
    expect(differences(end, is)).toEqual([]);
    const changes = papers.planned.flatMap(({ entry }) => (entry.action === 'park' ? [] : entry.step.changes));
    expect(differences(applyChanges(end, invert(changes)), start)).toEqual([]);
  });

  it('hold every difference once', () => {
    fc.assert(
      fc.property(fc.subarray(Object.keys(plan.gear)), fc.subarray(Object.keys(plan.runs)), (gear, runs) => {
        const is = apply(
          plan,
          { type: 'dropRows', table: 'gear', ids: gear },
          { type: 'dropRows', table: 'runs', ids: runs },
        );
        const steps = deriveSteps(today, is);
        const all = steps.flatMap(({ changes }) => changes);
        expect(new Set(all).size).toBe(all.length);
        expect(all.length).toBe(differences(today, is).length);
        expect(new Set(steps.map(({ id }) => id)).size).toBe(steps.length);
      }),
      { numRuns: examples(8, 25) },
    );
  });

  it('do not overlap: no two devices stand in one place at any stage', () => {
    const { planned, present } = made.plan;
    for (let count = 0; count <= planned.length; count++) {
      const job = jobAfter(present, planned, count);
      const taken = Object.values(job.placements).flatMap(({ rackId, face, bottomU, gearId }) =>
        Array.from({ length: job.gear[gearId]?.heightU ?? 1 }, (_, up) => `${rackId} ${face} ${bottomU + up}`),
      );
      expect(new Set(taken).size).toBe(taken.length);
      const ports = Object.values(patchCordsOf(job)).map(({ switchId, switchPort }) => `${switchId} ${switchPort}`);
      expect(new Set(ports).size).toBe(ports.length);
    }
  });
});

describe('the order', () => {
  it('of the cabinet rebuilt in place and of the map patched anew is proven', () => {
    expect(made.plan.order).toMatchObject({ proven: true, lets: [] });
    expect(made.plan.order.cost).toBeCloseTo(made.plan.order.bound, 6);
    const [was, is] = newMap();
    expect(buildPlan(was, is, limits()).order.proven).toBe(true);
  });

  it('takes what matters least first, and the gateway last, where nothing else decides', () => {
    // Common practice, no source: spare and least critical first, gateway last.
    const [was, is] = newMap();
    const { planned, parts } = buildPlan(was, is, limits());
    const weightOf = (id: string) =>
      Math.max(
        0,
        ...parts
          .filter(({ ways }) => ways.some((way) => way.some(({ step }) => step === id)))
          .map(({ weight }) => weight),
      );
    const weights = planned
      .filter(({ entry }) => entry.phase === 'cutover')
      .map(({ entry }) => weightOf(entry.step.id));
    expect(weights[0] ?? 0).toBeLessThan(weights.at(-1) ?? 0);
    expect(weights.indexOf(Math.max(...weights))).toBeGreaterThan(weights.length / 2);
  });

  it('darkens as much as its stages say', () => {
    const { planned, parts, order } = made.plan;
    const weights = new Map<string, number>();
    for (const { service, weight } of parts) weights.set(service, (weights.get(service) ?? 0) + weight);
    const { takeMin, putMin } = { takeMin: 'takeMin', putMin: 'putMin' } as const;
    const first = planned.reduce((sum, { entry, dark }) => {
      const { step, action } = entry;
      const minutes =
        action === 'move'
          ? step[takeMin] + step[putMin]
          : action === 'park' || action === 'remove'
            ? step[takeMin]
            : step[putMin];
      return sum + minutes * dark.reduce((all, { service, share }) => all + share * (weights.get(service) ?? 0), 0);
    }, 0);
    // The order is chosen by first times; parkings count a fiftieth of a point each.
    expect(Math.abs(first - (order.cost ?? 0))).toBeLessThan(1);
  });

  it('keeps needs: a port is landed once its panel stands, a panel goes once nothing hangs on it', () => {
    const at = new Map(made.plan.planned.map(({ key }, slot) => [key, slot]));
    const place = (key: string) => at.get(key) ?? Number.NaN;
    expect(place('gear-panel')).toBeLessThan(place('land-run-1'));
    expect(place('land-run-16')).toBeLessThan(place('gear-old-panel'));
    expect(place('gear-old-panel')).toBeLessThan(place('gear-manager'));
    expect(place('land-run-17')).toBeLessThan(place('test-run-17'));
  });

  it('obeys pins, and says what they cost', () => {
    const pinned: Job = {
      ...plan,
      orderPins: { p: { id: 'p', first: 'gear-storage', next: 'gear-shelf' } },
    };
    const { order, freeCost, planned } = buildPlan(today, pinned, { ...limits(), untilMs: performance.now() + 6000 });
    const keys = planned.map(({ key }) => key);
    if (order.cost === null) expect(order.lets.length).toBeGreaterThan(0);
    else {
      expect(keys.indexOf('gear-storage')).toBeLessThan(keys.indexOf('gear-shelf'));
      expect(order.cost).toBeGreaterThanOrEqual((freeCost ?? 0) - 1e-6);
    }
    expect(freeCost).toBeCloseTo(made.plan.order.cost ?? 0, 3);
  });

  it('with a free unit more in the cabinet is never worse', () => {
    const taller = (job: Job): Job => ({
      ...job,
      racks: Object.fromEntries(
        Object.entries(job.racks).map(([id, rack]) => [id, { ...rack, units: rack.units + 1 }]),
      ),
    });
    const more = buildPlan(taller(today), taller(plan), limits()).order.cost ?? Number.POSITIVE_INFINITY;
    expect(more).toBeLessThanOrEqual((made.plan.order.cost ?? 0) + 1e-6);
  });

  it('says what would let it be done where two change places and nothing may be set aside', () => {
    const swap = (job: Job): Job => {
      const [a, b] = Object.values(job.placements).filter(
        ({ gearId }) => gearId === 'gateway' || gearId === 'recorder',
      );
      if (!a || !b) throw new Error('two places');
      return {
        ...job,
        placements: { ...job.placements, [a.id]: { ...a, bottomU: b.bottomU }, [b.id]: { ...b, bottomU: a.bottomU } },
      };
    };
    const none: Job = { ...swap(today), cutovers: { cutover: { ...cutoverOf(plan), parkLimit: 0 } } };
    const papers = buildPapers(today, none, limits());
    expect(papers.plan.order.cost).toBeNull();
    expect(papers.plan.order.lets[0]).toEqual({
      words: 'Let 1 device stand out of the cabinet at once.',
      parkLimit: 1,
      stopgap: null,
    });
    expect(papers.findings.map(({ id }) => id)).toContain('no-order');
    const one = buildPlan(today, { ...none, cutovers: { cutover: { ...cutoverOf(plan), parkLimit: 1 } } }, limits());
    expect(one.order).toMatchObject({ parked: 1, proven: true });

    // A help of the hour is a step with its part, and lets it be done too.
    const help = papers.plan.order.lets.find(({ stopgap }) => stopgap?.frees === 'place')?.stopgap;
    if (!help) throw new Error('a help');
    const helped: Job = { ...none, stopgaps: { h: { id: 'h', ...help, words: '' } } };
    const with1 = buildPapers(today, helped, limits());
    expect(with1.plan.order.cost).not.toBeNull();
    const keys = with1.plan.planned.map(({ key }) => key);
    expect(keys.indexOf('help-in-h')).toBeLessThan(keys.indexOf(help.step));
    expect(keys.indexOf('help-out-h')).toBeGreaterThan(keys.indexOf(help.step));
    expect(with1.kit.map(({ item }) => item)).toContain('Table or shelf for the time being');
  });

  it('goes by what somebody says that a service needs, and does not need', () => {
    const { parts } = made.plan;
    const service = servicesOf(indexJob(today)).find(
      ({ needs, name }) => needs.flat().length > 0 && parts.some((part) => part.service === name),
    );
    if (!service) throw new Error('a service');
    const said = {
      ...upHours.make({ id: 'u', service: service.name }),
      without: service.needs.flat().map(({ id }) => id),
    };
    const less = serviceParts(today, plan, made.plan.steps, new Map(), [said]);
    const steps = (of: typeof parts) =>
      of.filter((part) => part.service === service.name).flatMap(({ ways }) => ways.flat().map(({ step }) => step))
        .length;
    expect(steps(less)).toBeLessThan(steps(parts));
  });
});

describe('work before and after the cut-over', () => {
  it('goes to each place once a trade, and does not cross the house for nothing', () => {
    const steps = deriveSteps(null, powered());
    const spot = ({ at, place }: (typeof steps)[number]) => (at === 'desk' ? 'desk' : `${at} ${place}`);
    const changes = (list: typeof steps) =>
      list.filter((step, slot) => slot > 0 && spot(step) !== spot(list[slot - 1] ?? step)).length;
    const ordered = inTradeOrder(steps);
    expect(new Set(ordered)).toEqual(new Set(steps));
    for (const kind of ['pull', 'land', 'test'] as const) {
      const some = ordered.filter((step) => step.kind === kind);
      const spots = new Set(some.map(spot)).size;
      if (some.every((step) => step.takeNeeds.length + step.putNeeds.length === 0))
        expect(changes(some)).toBe(Math.max(0, spots - 1));
    }
    const byLabel = [...steps].sort((a, b) => a.kind.localeCompare(b.kind) || a.words.localeCompare(b.words));
    expect(changes(ordered)).toBeLessThanOrEqual(changes(byLabel));
  });
});

describe('visits', () => {
  it('end where all is up and nothing stands out, within their time', () => {
    for (const { visit, planned, wholeMin } of made.plan.visits) {
      expect(wholeMin).toBeLessThanOrEqual(visit.minutes);
      const last = planned.at(-1);
      if (last) expect(last).toMatchObject({ safe: true, parked: [], darkAfter: [] });
    }
    const all = made.plan.visits.flatMap(({ planned }) => planned.map(({ key }) => key));
    expect(all).toEqual(made.plan.planned.map(({ key }) => key).slice(0, all.length));
  });

  it('all at once do not part the cut-over', () => {
    const night: Job = { ...plan, cutovers: { cutover: { ...cutoverOf(plan), school: 'one-night' } } };
    for (const { planned } of buildPlan(today, night, limits()).visits) {
      const inside = planned.filter(({ entry }) => entry.phase === 'cutover').length;
      expect([0, made.plan.planned.filter(({ entry }) => entry.phase === 'cutover').length]).toContain(inside);
    }
  });

  it('know when a service must be up, over midnight too', () => {
    const hours = {
      id: 'u',
      service: 'X',
      weight: null,
      days: 'every',
      from: '22:00',
      to: '06:00',
      mostMin: null,
      alsoNeeds: [] as string[],
      without: [] as string[],
    } as const;
    expect(mustBeUp(hours, '2026-12-07T21:00', '2026-12-07T21:59')).toBe(false);
    expect(mustBeUp(hours, '2026-12-07T21:30', '2026-12-07T22:30')).toBe(true);
    expect(mustBeUp(hours, '2026-12-07T23:30', '2026-12-08T00:30')).toBe(true);
    expect(mustBeUp(hours, '2026-12-07T05:00', '2026-12-07T05:30')).toBe(true);
    const shop = { ...hours, days: 'working', from: '08:30', to: '17:30' } as const;
    expect(mustBeUp(shop, '2026-12-07T09:00', '2026-12-07T09:10')).toBe(true);
    expect(mustBeUp(shop, '2026-12-13T09:00', '2026-12-13T09:10')).toBe(false);
  });

  it('say what stands against them: a part that comes too late, a lift for two by one', () => {
    const words = made.findings.map(({ what }) => what).join('\n');
    expect(words).toContain('New battery unit is due 2026-12-10');
    expect(words).toContain('is a lift for two');
    const there: Job = {
      ...plan,
      kitItems: Object.fromEntries(
        made.kit.map(({ item }, at) => [
          `k${at}`,
          {
            id: `k${at}`,
            item,
            state: 'in-van' as const,
            due: null,
            have: null,
            priceMinor: null,
            paidMinor: null,
            note: '',
          },
        ]),
      ),
    };
    const ready = buildPapers(today, there, limits());
    expect(ready.kit.every(isThere)).toBe(true);
    expect(ready.findings.some(({ id }) => id.startsWith('late') || id.startsWith('missing'))).toBe(false);
  });
});

describe('the kit', () => {
  it('counts what the stations list', () => {
    const count = (start: string) =>
      made.kit.filter(({ item }) => item.startsWith(start)).reduce((sum, line) => sum + line.count, 0);
    expect(count('Jack ')).toBe(Object.keys(plan.landings).length);
    expect(count('Outlet jack')).toBe(toPull(plan).length);
    expect(count('Cord ')).toBe(
      Object.keys(patchCordsOf(plan)).filter((id) => !patchCordsOf(today)[id]).length +
        made.kit.filter(({ item }) => item === 'Cord manager').length,
    );
    const coming = new Set(Object.keys(plan.gear).filter((id) => !today.gear[id]));
    const screws = Object.values(plan.racks)
      .flatMap((rack) => holeCard(plan, rack).rows)
      .filter(({ gearId }) => coming.has(gearId))
      .reduce((sum, row) => sum + row.screws, 0);
    expect(count('Screws')).toBe(screws);
    for (const id of coming) expect(count(plan.gear[id]?.name ?? '')).toBe(1);
    expect(kitCsv(made.kit).trim().split('\n')).toHaveLength(made.kit.length + 1);
  });

  it('says at least where a length is not known', () => {
    const [run] = toPull(plan);
    const unknown = apply(plan, { type: 'editRuns', edits: [{ runId: run?.id ?? '', changes: { lengthMm: null } }] });
    const cable = buildPapers(today, unknown, limits()).kit.find(({ item }) => item.startsWith('Cable'));
    expect(cable?.atLeast).toBe(true);
  });
});

describe('ticks', () => {
  const ticked = (job: Job, papers: BuildPlan, slot: number, minutes: number | null = null): Job => {
    const one = papers.planned[slot];
    if (!one) throw new Error('no step');
    return apply(
      job,
      ...tickCommands(job, one.entry.step, one.key, { state: 'done', by: 'Sam', at: '2026-12-07T18:30', minutes }),
    );
  };

  it('in the order of the plan lead to its end, each step solved from what stands then', () => {
    let job = plan;
    for (let round = 0; round < 200; round++) {
      const papers = buildPlan(today, job, limits());
      if (papers.planned.length === 0) break;
      expect(papers.order).toMatchObject({ proven: true, cost: expect.any(Number) });
      for (const [slot] of papers.planned.slice(0, 5).entries()) job = ticked(job, papers, slot);
    }
    const end = buildPlan(today, job, limits());
    expect(end.planned).toEqual([]);
    expect(differences(end.present, job)).toEqual([]);
    // What was pulled and tested says so.
    expect(indexJob(job).runsInOrder.every(({ state }) => state === 'tested')).toBe(true);
  });

  it('in any order that the rules allow are taken', () => {
    fc.assert(
      fc.property(fc.array(fc.nat(), { minLength: 3, maxLength: 8 }), (choices) => {
        let job = plan;
        for (const choice of choices) {
          const papers = buildPlan(today, job, { ...limits(), untilMs: performance.now() + 300 });
          const free = papers.planned.flatMap(({ entry }, slot) => {
            const left = new Set(papers.planned.map(({ entry: other }) => other.step.id));
            const { clearOf, takeNeeds, putNeeds, blockedBy } = entry.step;
            return [...clearOf, ...takeNeeds, ...putNeeds, ...blockedBy].some((id) => left.has(id)) ? [] : [slot];
          });
          if (free.length === 0) break;
          job = ticked(job, papers, free[choice % free.length] ?? 0);
        }
        expect(buildPlan(today, job, { ...limits(), untilMs: performance.now() + 300 }).steps.length).toBeGreaterThan(
          0,
        );
      }),
      { numRuns: 2 },
    );
  });

  it('on top of what is not done are told', () => {
    const step = made.plan.steps.find(({ id }) => id === 'land-run-17');
    if (!step) throw new Error('no step');
    const early = apply(plan, ...tickCommands(plan, step, step.id, { state: 'done', by: '', at: '2026-12-07T18:30' }));
    const words = buildPapers(today, early, limits()).findings.map(({ what }) => what);
    expect(words.filter((what) => what.startsWith('Land run 17 is ticked'))).toHaveLength(1);
    expect(made.findings.some(({ id }) => id.startsWith('out-of-order'))).toBe(false);
  });

  it('with minutes move what is left', () => {
    const pulls = made.plan.planned.findIndex(({ entry }) => entry.step.kind === 'pull');
    const slow = ticked(plan, made.plan, pulls, 50);
    const after = buildPlan(today, slow, limits());
    const left = (papers: BuildPlan) => papers.planned.find(({ key }) => key === 'pull-run-18')?.minutes ?? 0;
    expect(left(after)).toBeGreaterThan(2 * left(made.plan));
    expect(after.paces.find(({ by }) => by === 'Sam')).toMatchObject({ done: 1, tookMin: 50 });
  });

  it('of two people on one step are one', () => {
    const [one] = made.plan.planned;
    if (!one) throw new Error('no step');
    const { step } = one.entry;
    const first = tickCommands(plan, step, one.key, { state: 'done', by: 'Sam', at: '2026-12-07T18:30' });
    const second = tickCommands(plan, step, one.key, { state: 'done', by: 'Kim', at: '2026-12-07T18:31' });
    const both = apply(apply(plan, ...first), ...second);
    expect(Object.values(both.ticks)).toHaveLength(1);
  });

  it('done otherwise changes the plan, and the rest goes on from there', () => {
    const step = made.plan.steps.find(({ id }) => id === 'land-run-17');
    if (!step) throw new Error('no step');
    const [place] = otherwise(plan, step);
    const changed = apply(plan, ...(place?.commands ?? []));
    expect(indexJob(changed).landingOfRun.get('run-17')?.port).not.toBe(17);
    expect(buildPlan(today, changed, limits()).steps.map(({ id }) => id)).toContain('land-run-17');
    const gear = made.plan.steps.find(({ id }) => id === 'gear-unit');
    expect(gear && otherwise(plan, gear).length).toBeGreaterThan(0);
  });
});

describe('what people are told', () => {
  it('is who is without what, from when to when', () => {
    const text = outageNotice(plan, made.plan);
    expect(text).toContain('Monday evening: 2026-12-07, 18:00');
    expect(text).toContain('Internet: 2026-12-07 19:');
  });

  it('goes into calendars: lines of 75 octets at most, each event whole', () => {
    const odd = { ...plan, name: 'Töpferei, „Ostermoor“; Kiln\\Room 🏺'.repeat(2).slice(0, 78) };
    const text = visitsIcs(odd, made.plan, '2026-11-27T10:00');
    expect(text.endsWith('END:VCALENDAR\r\n')).toBe(true);
    for (const line of text.split('\r\n')) expect(new TextEncoder().encode(line).length).toBeLessThanOrEqual(75);
    const whole = text.replace(/\r\n /g, '');
    const events = whole.split('BEGIN:VEVENT').slice(1);
    expect(events.length).toBe(
      3 + made.plan.dark.reduce((sum, { stretches }) => sum + stretches.filter(({ from }) => from !== null).length, 0),
    );
    for (const event of events) {
      expect(event).toMatch(/\r\nDTSTART:\d{8}T\d{6}\r\n/);
      expect(event).toMatch(/\r\nUID:[^\r]+\r\n/);
    }
    expect(whole).toContain('\\, „Ostermoor“\\; Kiln\\\\Room');
  });
});
