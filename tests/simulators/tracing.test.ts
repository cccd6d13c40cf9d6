import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { findSnags } from '../../src/core/findings/snags/findSnags';
import type { Command } from '../../src/core/job/commands/commands';
import type { Job } from '../../src/core/job/document/job';
import { jackFindings, openRuns, settleCommands } from '../../src/core/trade/runs/unlabelled/findings';
import { planWalks } from '../../src/core/trade/runs/unlabelled/walks';
import { answersAt, simulatedBuilding, type ToneTruth } from '../../src/simulators/toneSet';
import { apply, counter, marrowby } from '../support/jobs';

const newId = counter('tone');
const tone = (jackId: string, runId: string | null, walk = 1): Command => ({
  type: 'keepRows',
  rows: [{ table: 'tones', record: { id: newId(), jackId, runId, walk, remote: 1, simulated: false } }],
});
const stateAt = (job: Job, jackId: string) => jackFindings(job).find((one) => one.jack.id === jackId)?.state;

/** Go every walk of the plan and write down what the building answers. */
function walkAll(start: Job, truth: ToneTruth, remotes: number): { job: Job; walks: number } {
  let [job, walks] = [start, 0];
  for (;;) {
    const [walk] = planWalks(job, remotes).walks;
    const fresh = walk?.filter((jack) => stateAt(job, jack.id) === 'not asked') ?? [];
    if (fresh.length === 0) return { job, walks };
    walks += 1;
    for (const [jackId, runs] of answersAt(
      truth,
      fresh.map((jack) => jack.id),
    )) {
      for (const runId of runs.length > 0 ? runs : [null]) job = apply(job, tone(jackId, runId, walks));
    }
  }
}

describe('a cable that is known to end at a jack', () => {
  it('needs no walk there', () => {
    const start = marrowby();
    const [jack] = Object.values(start.jacks);
    const [run] = openRuns(start);
    if (!jack || !run) throw new Error('no jack or run');
    const changes = { floor: jack.floor, room: jack.room, outlet: jack.outlet };
    const known = apply(start, { type: 'editRuns', edits: [{ runId: run.id, changes }] });
    expect([stateAt(start, jack.id), stateAt(known, jack.id)]).toEqual(['not asked', 'labelled']);
    const visited = planWalks(known).walks.flat();
    expect(visited.some((one) => one.id === jack.id)).toBe(false);
    expect(visited).toHaveLength(planWalks(start).walks.flat().length - 1);
  });
});

describe('walks', () => {
  it('are the fewest there can be: every jack once, a remote in one jack at a time', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 40 }),
        fc.integer({ min: 1, max: 9 }),
        fc.integer({ min: 1, max: 4 }),
        (count, remotes, floors) => {
          const job: Job = {
            ...marrowby(),
            tones: {},
            jacks: Object.fromEntries(
              Array.from({ length: count }, (_, at) => [
                `j${at}`,
                { id: `j${at}`, floor: `F${at % floors}`, room: 'R', outlet: String(at) },
              ]),
            ),
          };
          const { walks, leastWalks, proven } = planWalks(job, remotes);
          expect(walks).toHaveLength(Math.ceil(count / remotes));
          expect(leastWalks).toBe(Math.ceil(count / remotes));
          expect(proven).toBe(true);
          for (const walk of walks) expect(walk.length).toBeLessThanOrEqual(remotes);
          expect(new Set(walks.flat().map((jack) => jack.id)).size).toBe(count);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('stay on one floor where that fills them', () => {
    const { walks } = planWalks(marrowby(), 4);
    expect(walks).toHaveLength(4);
    expect(walks.filter((walk) => new Set(walk.map((jack) => jack.floor)).size === 1).length).toBeGreaterThanOrEqual(3);
  });
});

describe('what was heard', () => {
  const job = marrowby();

  it('is found, silent, or not asked', () => {
    const heard = apply(job, tone('jack-01', 'run-x01'), tone('jack-02', null));
    expect(['jack-01', 'jack-02', 'jack-03'].map((id) => stateAt(heard, id))).toEqual(['found', 'silent', 'not asked']);
    expect(openRuns(heard).map((run) => run.label)).not.toContain('X1');
  });

  it('is a contradiction when two cables answer one jack, one cable two jacks, or a jack once and once not', () => {
    const two = apply(job, tone('jack-01', 'run-x01'), tone('jack-01', 'run-x02'));
    expect(stateAt(two, 'jack-01')).toBe('contradiction');
    const twice = apply(job, tone('jack-01', 'run-x01'), tone('jack-02', 'run-x01'));
    expect([stateAt(twice, 'jack-01'), stateAt(twice, 'jack-02')]).toEqual(['contradiction', 'contradiction']);
    const never = apply(job, tone('jack-01', 'run-x01'), tone('jack-01', null, 2));
    expect(stateAt(never, 'jack-01')).toBe('contradiction');
    const [snag] = findSnags(two).filter((one) => one.rule === 'tone-contradiction');
    const mended = apply(two, ...(snag?.mends(two)[0]?.commands ?? []));
    expect(stateAt(mended, 'jack-01')).toBe('not asked');
  });

  it('becomes labels and places in one step, without what contradicts itself', () => {
    const truth = simulatedBuilding(job, 11, { dead: 0.1, bridged: 0.15 });
    const { job: heard, walks } = walkAll(job, truth, 4);
    expect(walks).toBe(4);
    const commands = settleCommands(heard, 'place');
    expect(commands).toHaveLength(1);
    const settled = apply(heard, ...commands);
    for (const { jack, state: now, runs } of jackFindings(settled)) {
      if (now !== 'labelled') continue;
      expect(truth.get(jack.id)).toEqual([runs[0]?.id]);
      expect(runs[0]).toMatchObject({ floor: jack.floor, room: jack.room, outlet: jack.outlet });
      expect(runs[0]?.label).toMatch(/^[G1B]\d?-/);
    }
    const contradicting = jackFindings(heard)
      .filter((one) => one.state === 'contradiction')
      .map((one) => one.jack.id);
    expect(contradicting.length).toBeGreaterThan(0);
    for (const id of contradicting) expect(stateAt(settled, id)).toBe('contradiction');
    expect(settleCommands(settled, 'place')).toEqual([]);
  });

  it('is the same for the same seed of the simulated building', () => {
    expect([...simulatedBuilding(job, 3)]).toEqual([...simulatedBuilding(job, 3)]);
    expect([...simulatedBuilding(job, 3)]).not.toEqual([...simulatedBuilding(job, 4)]);
    const whole = simulatedBuilding(job, 3, { dead: 0, bridged: 0 });
    expect([...whole.values()].every((runs) => runs.length === 1)).toBe(true);
  });

  it('finds every jack of a sound building, whatever the cables, the remotes and the seed', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 10_000 }), fc.integer({ min: 1, max: 8 }), (seed, remotes) => {
        const truth = simulatedBuilding(job, seed, { dead: 0, bridged: 0 });
        const { job: heard, walks } = walkAll(job, truth, remotes);
        expect(walks).toBe(Math.ceil(14 / remotes));
        const settled = apply(heard, ...settleCommands(heard, 'numbers'));
        expect(jackFindings(settled).every((one) => one.state === 'labelled')).toBe(true);
        expect(openRuns(settled)).toHaveLength(1);
        for (const { jack, runs } of jackFindings(settled)) expect([runs[0]?.id]).toEqual(truth.get(jack.id));
      }),
      { numRuns: 12 },
    );
  });

  it('labels by plain numbers keep clear of the tags that stay', () => {
    const numbered = apply(job, {
      type: 'editRuns',
      edits: [{ runId: 'run-x05', changes: { label: '01' } }],
    });
    const heard = apply(numbered, tone('jack-01', 'run-x01'), tone('jack-02', 'run-x02'));
    const settled = apply(heard, ...settleCommands(heard, 'numbers'));
    expect([settled.runs['run-x01']?.label, settled.runs['run-x02']?.label]).toEqual(['02', '03']);
    expect(settled.runs['run-x05']?.label).toBe('01');
  });

  it('a jack that is settled is open again when it is asked once more and another cable answers', () => {
    const heard = apply(job, tone('jack-01', 'run-x01'));
    const settled = apply(heard, ...settleCommands(heard, 'place'));
    expect(stateAt(settled, 'jack-01')).toBe('labelled');
    const again = apply(settled, tone('jack-01', 'run-x02', 2));
    expect(stateAt(again, 'jack-01')).toBe('contradiction');
    expect(
      planWalks(again)
        .walks.flat()
        .map((jack) => jack.id),
    ).toContain('jack-01');
  });

  it('says of a jack that its answer was made up', () => {
    const record = { id: 'sim', jackId: 'jack-01', runId: 'run-x01', walk: 1, remote: 1, simulated: true };
    const tried = apply(apply(job, tone('jack-02', 'run-x02')), {
      type: 'keepRows',
      rows: [{ table: 'tones', record }],
    });
    const marked = jackFindings(tried).filter((one) => one.simulated);
    expect(marked.map((one) => one.jack.id)).toEqual(['jack-01']);
  });

  it('goes with its jack and with its cable', () => {
    const heard = apply(job, tone('jack-01', 'run-x01'), tone('jack-02', 'run-x02'));
    const withoutRun = apply(heard, { type: 'removeRuns', runIds: ['run-x01'] });
    expect(Object.values(withoutRun.tones).map((one) => one.jackId)).toEqual(['jack-02']);
    expect(stateAt(withoutRun, 'jack-01')).toBe('not asked');
    const withoutJack = apply(heard, { type: 'dropRows', table: 'jacks', ids: ['jack-02'] });
    expect(Object.values(withoutJack.tones).map((one) => one.jackId)).toEqual(['jack-01']);
  });
});
