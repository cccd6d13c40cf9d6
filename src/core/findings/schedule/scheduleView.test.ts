import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { apply, bench, counter, marrowby, patched, quillback, tarnbrook } from '../../../../tests/support/jobs';
import { readCsvTable } from '../../exchange/formats/csvTable';
import { importCommand, previewRuns } from '../../exchange/formats/previewRuns';
import { pullSheetCsv } from '../../exchange/formats/pullSheetCsv';
import { runsCsv } from '../../exchange/formats/runsCsv';
import { emptyJob, type Job } from '../../job/document/job';
import { CARRIES, ENTRY_SIDES, ORIGINS, RUN_STATES, SCOPES } from '../../job/records/run';
import { cableKindOf, cableKindsOf } from '../../trade/runs/cableKinds';
import { cablePlanCommands, leftInBoxMm, planCable } from '../../trade/runs/cablePlan';
import { pullSheet } from '../../trade/runs/pullSheet';
import { guessColumns, RUN_COLUMNS } from '../../trade/runs/runColumns';
import { runFacts } from '../../trade/runs/runFacts';
import { answerCommand } from '../../trade/survey/answers/answers';
import { findSnags } from '../snags/findSnags';
import {
  arrangeRuns,
  PLAIN_VIEW,
  RUN_FILTERS,
  runsIn,
  type ScheduleView,
  shownRuns,
  shownState,
  valuesOf,
} from './scheduleView';

const labels = (job: Job, view: Partial<ScheduleView>) =>
  arrangeRuns(job, { ...PLAIN_VIEW, ...view }).map((item) =>
    item.kind === 'group' ? `[${item.name}]` : item.run.label,
  );
const looks = (most: number) => {
  let count = 0;
  return { now: () => count++, untilMs: most };
};

describe('the schedule as it is looked at', () => {
  const job = patched(
    bench({
      1: { floor: 'Ground', room: 'Hall', device: 'desk', lengthMm: 30_000, state: 'tested' },
      2: { floor: 'Ground', room: 'Bar', bundle: 'B1', critical: true, lengthMm: 9_000 },
      3: { floor: 'First', room: 'Hall', bundle: 'B1', scope: 'later', state: 'pulled', network: 'Guests' },
      10: { floor: 'First', room: 'Attic', origin: 'found' },
    }),
    '1',
    '2',
  );

  it('shows the runs with snags, and every run while nothing is judged', () => {
    const job = tarnbrook();
    const all = arrangeRuns(job, PLAIN_VIEW);
    const snags = findSnags(job);
    const shown = arrangeRuns(job, { ...PLAIN_VIEW, filter: 'with snags' }, snags);
    const ids = (items: typeof all) => items.flatMap((item) => (item.kind === 'run' ? [item.run.id] : []));
    expect(new Set(ids(shown))).toEqual(new Set(snags.flatMap(({ runIds }) => runIds)));
    expect(shown.length).toBeLessThan(all.length);
    expect(arrangeRuns(job, { ...PLAIN_VIEW, filter: 'with snags' }, [])).toEqual([]);
    expect(arrangeRuns(job, { ...PLAIN_VIEW, filter: 'with snags' }, null)).toEqual(all);
  });

  it('knows the place of each run among those shown, whatever stands above them', () => {
    for (const group of ['none', 'floor', 'bundle'] as const)
      for (const text of ['', 'hall']) {
        const items = arrangeRuns(job, { ...PLAIN_VIEW, group, text });
        const rows = items.flatMap((item) => (item.kind === 'run' ? [item.row] : []));
        expect(rows).toEqual(runsIn(items).map((_, row) => row));
        expect(shownRuns(items)).toBe(text === '' ? 4 : 2);
      }
    expect(shownRuns(arrangeRuns(job, { ...PLAIN_VIEW, text: 'nowhere' }))).toBe(0);
  });

  it('is filtered by words, all of which must be there, and by state', () => {
    expect(labels(job, { text: 'hall' })).toEqual(['1', '3']);
    expect(labels(job, { text: 'hall first' })).toEqual(['3']);
    expect(labels(job, { text: 'guests' })).toEqual(['3']);
    const cables = bench({ 1: { cable: 'Cat 6 U/UTP' }, 2: { cable: 'Cat 6A U/UTP' }, 3: { cable: 'Cat 6A F/UTP' } });
    expect(labels(cables, { text: 'Cat 6 UTP' })).toEqual(['1']);
    expect(labels(cables, { text: 'cat 6a utp' })).toEqual(['2', '3']);
    // A word that is being typed may still be the beginning of one, a number not.
    expect(labels(cables, { text: 'ut' })).toEqual(['1', '2', '3']);
    expect(labels(cables, { text: 'ut ' })).toEqual([]);
    expect(labels(cables, { text: 'cat 6' })).toEqual(['1']);
    const runs = Object.values(cables.runs);
    expect(valuesOf(cables, runs, 'cable').map(({ value, count }) => `${count} ${value}`)).toEqual([
      '1 Cat 6 U/UTP',
      '1 Cat 6A U/UTP',
      '1 Cat 6A F/UTP',
    ]);
    expect(valuesOf(cables, runs, 'carries')).toEqual([{ value: 'ethernet', count: 3 }]);
    expect(labels(job, { filter: 'landed' })).toEqual(['2']);
    expect(labels(job, { filter: 'no length' })).toEqual(['3', '10']);
    expect(labels(job, { filter: 'later' })).toEqual(['3']);
    expect(labels(job, { filter: 'critical' })).toEqual(['2']);
    for (const filter of RUN_FILTERS) expect(labels(job, { filter }).length).toBeLessThanOrEqual(4);
    expect(Object.values(job.runs).map((run) => shownState(job, run))).toEqual(
      expect.arrayContaining(['tested', 'landed', 'pulled', 'wanted']),
    );
  });

  it('is sorted by number or by word, and turned round', () => {
    expect(labels(job, { sort: 'length_m' })).toEqual(['3', '10', '2', '1']);
    expect(labels(job, { sort: 'length_m', falling: true })).toEqual(['1', '2', '10', '3']);
    expect(labels(job, { sort: 'room' })).toEqual(['10', '2', '1', '3']);
  });

  it('is grouped under headings with their counts', () => {
    expect(labels(job, { group: 'floor' })).toEqual(['[First]', '3', '10', '[Ground]', '1', '2']);
    expect(labels(job, { group: 'bundle' })).toEqual(['[B1]', '2', '3', '[no bundle]', '1', '10']);
    expect(labels(job, { group: 'room', text: 'hall' })).toEqual(['[First, Hall]', '3', '[Ground, Hall]', '1']);
  });

  it('never loses or doubles a run', () => {
    const view = fc.record({
      group: fc.constantFrom('none', 'floor', 'room', 'bundle', 'state'),
      sort: fc.constantFrom(...RUN_COLUMNS),
      falling: fc.boolean(),
    });
    const demo = quillback();
    fc.assert(
      fc.property(view, (one) => {
        const shown = labels(demo, one as Partial<ScheduleView>).filter((label) => !label.startsWith('['));
        expect([...shown].sort()).toEqual(
          Object.values(demo.runs)
            .map((run) => run.label)
            .sort(),
        );
      }),
      { numRuns: 60 },
    );
  });
});

describe('the schedule as CSV', () => {
  const text = fc.string({ unit: 'grapheme', maxLength: 12 }).map((one) =>
    one
      .replace(/[\p{Cc}\p{Cs}]/gu, '')
      .replace(/\s+/g, ' ')
      .trim()
      .slice(0, 40)
      .replace(/\p{Cs}$/u, '')
      .trim(),
  );
  const nullable = <T>(of: fc.Arbitrary<T>) => fc.option(of, { nil: null });
  const fields = fc.record({
    floor: text,
    room: text,
    outlet: text,
    cable: text,
    device: text,
    jacket: text,
    bundle: text,
    askedBy: text,
    notes: text,
    carries: fc.constantFrom(...CARRIES),
    lengthMm: nullable(fc.integer({ min: 1, max: 10_000_000 })),
    tailMm: nullable(fc.integer({ min: 0, max: 100_000 })),
    outletHeightMm: nullable(fc.integer({ min: 0, max: 20_000 })),
    speedMbps: nullable(fc.integer({ min: 1, max: 800_000 })),
    poeW: fc.integer({ min: 0, max: 900 }).map((tenths) => tenths / 10),
    network: text,
    critical: fc.boolean(),
    entry: nullable(fc.constantFrom(...ENTRY_SIDES)),
    state: fc.constantFrom(...RUN_STATES),
    origin: fc.constantFrom(...ORIGINS),
    scope: fc.constantFrom(...SCOPES),
  });

  it('brings every field back as it was, in metres and in feet, formulas and apostrophes included', () => {
    fc.assert(
      fc.property(
        fc.array(fields, { minLength: 1, maxLength: 4 }),
        fc.constantFrom('metric', 'imperial'),
        (rows, units) => {
          const start = emptyJob({ id: 'csv', name: 'CSV', units: units as Job['units'] });
          const runs = rows.map((row, at) => ({
            ...row,
            jacket: row.jacket.slice(0, 30),
            id: `r${at}`,
            label: `L${at}`,
            notes: at % 2 ? `=${row.notes}` : `'-${row.notes}`,
          }));
          const job = apply(start, { type: 'addRuns', runs });
          const table = readCsvTable(runsCsv(job));
          const map = guessColumns(table.header, job.units);
          const again = previewRuns(job, table, map);
          expect(again.rows.flatMap((row) => row.faults)).toEqual([]);
          expect(again.counts).toMatchObject({ same: rows.length, changed: 0, new: 0 });
          const command = importCommand(previewRuns(start, table, map), counter('n'));
          const copy = command ? apply(start, command) : start;
          const plain = (of: Job) =>
            Object.values(of.runs).map(({ id: _, networkId, ...run }) => ({
              ...run,
              network: networkId && of.networks[networkId]?.name,
            }));
          expect(plain(copy)).toEqual(plain(job));
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('cable to buy', () => {
  const job = apply(quillback(), answerCommand(quillback(), 'pull-together', 'yes'));
  const plan = planCable(job, looks(20_000), counter('box'));
  const taken = apply(job, ...cablePlanCommands(job, plan));

  it('cuts every run that has a length from a box of its kind, runs of one outlet from different ones', () => {
    expect(plan.cuts).toHaveLength(40);
    for (const cut of Object.values(taken.cuts))
      expect(taken.boxes[cut.boxId]?.cable).toBe(taken.runs[cut.runId]?.cable);
    const seen = new Set<string>();
    for (const { run, box } of pullSheet(taken)) {
      const key = [run.floor, run.room, run.outlet, box.id].join(':');
      expect(seen.has(key)).toBe(false);
      seen.add(key);
    }
    expect(pullSheet(taken).every((line) => line.leftMm >= 0)).toBe(true);
    expect(findSnags(taken).filter((snag) => snag.rule === 'box-overdrawn')).toEqual([]);
  });

  it('planned again changes no count, and drops boxes that nothing was pulled from', () => {
    const again = planCable(taken, looks(20_000), counter('again'));
    const after = apply(taken, ...cablePlanCommands(taken, again));
    expect(Object.keys(after.boxes)).toHaveLength(Object.keys(taken.boxes).length);
    expect(Object.keys(after.cuts)).toHaveLength(40);
  });

  it('leaves what is pulled where it is, and counts it out of its box', () => {
    const [line] = pullSheet(taken);
    if (!line) throw new Error('no line');
    const pulled = apply(taken, { type: 'editRuns', edits: [{ runId: line.run.id, changes: { state: 'pulled' } }] });
    expect(leftInBoxMm(pulled, line.box.id)).toBe(line.box.leftMm - line.lengthMm);
    const after = apply(pulled, ...cablePlanCommands(pulled, planCable(pulled, looks(20_000), counter('more'))));
    expect(Object.values(after.cuts).find((cut) => cut.runId === line.run.id)).toMatchObject({ boxId: line.box.id });
    expect(Object.keys(after.cuts)).toHaveLength(40);
  });

  it('names runs without a length or a kind', () => {
    const some = bench({
      1: { cable: 'Cat 6 U/UTP' },
      2: { lengthMm: 10_000 },
      3: { cable: 'Cat 6 U/UTP', lengthMm: 400_000 },
    });
    expect(planCable(some, looks(1000), counter('b')).left.map((one) => one.why)).toEqual([
      expect.stringContaining('1 has no length'),
      expect.stringContaining('2 has no kind of cable'),
      expect.stringContaining('3 is longer than any box'),
    ]);
  });

  it('tells which printed lengths to expect, falling or rising', () => {
    const two = bench({
      1: { cable: 'C', lengthMm: 10_000, outlet: 'a' },
      2: { cable: 'C', lengthMm: 20_000, outlet: 'b' },
    });
    const sheet = (marksFall: boolean) => {
      const boxed = apply(two, {
        type: 'keepRows',
        rows: [
          {
            table: 'boxes',
            record: { id: 'b', name: 'B', cable: 'C', leftMm: 90_000, bought: false, markMm: 88_000, marksFall },
          },
          { table: 'cuts', record: { id: 'c1', runId: 'run-1', boxId: 'b', pull: 1, lengthMm: 10_000 } },
          { table: 'cuts', record: { id: 'c2', runId: 'run-2', boxId: 'b', pull: 2, lengthMm: 20_000 } },
        ],
      });
      return { lines: pullSheet(boxed).map((line) => [line.fromMarkMm, line.toMarkMm]), csv: pullSheetCsv(boxed) };
    };
    expect(sheet(true).lines).toEqual([
      [88_000, 78_000],
      [78_000, 58_000],
    ]);
    expect(sheet(false).lines[1]).toEqual([98_000, 118_000]);
    expect(sheet(true).csv.split('\n')[2]).toBe('2,2,,,b,C,B,20,78,58,60,wanted');
  });
});

describe('kinds and figures', () => {
  it('take the kind of the job before that of the library', () => {
    const job = bench({ 1: { cable: 'cat 6 u/utp' } });
    expect(cableKindOf(job, 'cat 6 u/utp')?.diameterMm).toBe(6);
    const library = cableKindsOf(job).find((kind) => kind.name === 'Cat 6 U/UTP');
    if (!library) throw new Error('no kind');
    const own = apply(job, {
      type: 'keepRows',
      rows: [{ table: 'cableKinds', record: { ...library, id: 'own', diameterMm: 5.6 } }],
    });
    expect(cableKindOf(own, 'Cat 6 U/UTP')?.diameterMm).toBe(5.6);
    expect(cableKindsOf(own)).toHaveLength(cableKindsOf(job).length);
    expect(cableKindOf(job, 'string')).toBeNull();
  });

  it('spell out length, limits and power of a run', () => {
    const job = bench({ 1: { cable: 'Cat 6 U/UTP', lengthMm: 80_000, poeW: 25.5, device: 'camera' } });
    const facts = runFacts(job, Object.values(job.runs)[0] as never).map(({ name, value }) => `${name}: ${value}`);
    expect(facts[0]).toBe('Length: 80 m, measured');
    expect(facts).toContainEqual(expect.stringMatching(/^Cords of 24 AWG, at most: 18.3 m/));
    expect(facts).toContainEqual(
      expect.stringMatching(
        /^Power at the far end: 4\d\.\d V by the cable’s limit, 4\d\.\d V typical \(class 4 needs 42.5 V\)/,
      ),
    );
    expect(runFacts(marrowby(), Object.values(marrowby().runs)[0] as never)[0]?.value).toMatch(/not known/);
  });
});
