import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { afterAll, describe, expect, it, vi } from 'vitest';
import { main } from '../../src/cli/main';
import { cutoverInstance } from '../support/cutover';
import { diagnoseInstance } from '../support/diagnose';
import { demoFolder } from '../support/jobs';
import { patchInstance } from '../support/patches';
import { tailsInstance } from '../support/tails';

const root = resolve(import.meta.dirname, '../..');
const folder = mkdtempSync(join(tmpdir(), 'shelf-'));
afterAll(() => rmSync(folder, { recursive: true }));

/** The command line as a process of its own. */
function program(...args: string[]) {
  const run = spawnSync(join(root, 'bin/shelf'), args, { cwd: root, encoding: 'utf8' });
  return { code: run.status, out: run.stdout, said: run.stderr };
}

/** The same without the time that a process takes to start. */
async function shelf(...args: string[]) {
  const written = { stdout: [] as Buffer[], stderr: [] as Buffer[] };
  const spies = (['stdout', 'stderr'] as const).map((stream) =>
    vi.spyOn(process[stream], 'write').mockImplementation((text) => {
      written[stream].push(Buffer.from(text as string));
      return true;
    }),
  );
  try {
    const code = await main(args);
    const [out, said] = [written.stdout, written.stderr].map((parts) => Buffer.concat(parts).toString('utf8'));
    return { code, out: out ?? '', said: said ?? '' };
  } finally {
    for (const spy of spies) spy.mockRestore();
  }
}
const at = (file: string) => join(folder, file);
const demo = (file: string) => join(demoFolder, file);

describe('the command line', () => {
  it('goes from a list of runs to a port map', async () => {
    const imported = await shelf(
      'import',
      demo('quillback-runs.csv'),
      '--gear',
      demo('quillback-gear.json'),
      '-o',
      at('job.json'),
    );
    expect(imported).toMatchObject({ code: 0, said: expect.stringContaining('40 runs, 15 devices, 1 rack') });
    const planned = await shelf('plan', at('job.json'), '-o', at('plan.json'));
    expect(planned).toMatchObject({
      code: 0,
      said: expect.stringContaining('12 devices placed, 40 runs landed, 32 runs patched'),
    });
    expect(planned.said).toContain('left: TV1 carries coax');
    // The cabinet carries more than it is rated for: that will not work, and the exit code says so.
    expect(await shelf('check', at('plan.json'))).toMatchObject({
      code: 1,
      out: expect.stringContaining('[common practice]'),
    });
    expect((await shelf('export', at('plan.json'), '--as', 'port-map.csv', '-o', at('map.csv'))).code).toBe(0);
    expect(readFileSync(at('map.csv'), 'utf8').split('\n')).toHaveLength(46);
    expect((await shelf('export', at('plan.json'), '--as', 'elevation.svg', '-o', '-')).out).toMatch(/^<svg /);
    expect((await shelf('export', at('plan.json'), '--as', 'job.json', '-o', '-')).out).toBe(
      readFileSync(at('plan.json'), 'utf8'),
    );
  });

  it('lands and patches a job with reasons, and draws the wiring', async () => {
    const start = demo('tarnbrook-job.json');
    const landed = await shelf('land', start, '--order', 'room', '--anew', '--seconds', '2', '-o', at('landed.json'));
    expect(landed).toMatchObject({ code: 0, said: expect.stringMatching(/\d+ runs re-landed in \d+ (h|min)/) });
    const patched = await shelf('patch', start, '--moves', 'few', '--seconds', '20', '-o', at('patched.json'));
    // What is short is said first, by how much and with the smallest change.
    expect(patched.said).toMatch(/4 PoE ports short\. Add injectors or a PoE switch\./);
    expect(patched.said).toMatch(/48 runs with a port, 1\d cords moved, .* \(proven best\)/);
    expect(patched.said).toContain('What would let it in:');
    const made = async (as: string) => (await shelf('export', at('patched.json'), '--as', as, '-o', at(as))).code;
    for (const as of ['port-map.pdf', 'cords.csv', 'port-plan.csv', 'patch.graphml', 'patch.dot', 'termination.pdf'])
      expect(await made(as), as).toBe(0);
    expect(readFileSync(at('port-map.pdf')).subarray(0, 5).toString()).toBe('%PDF-');
    expect(readFileSync(at('cords.csv'), 'utf8').trim().split('\n')).toHaveLength(1 + 48 + 2 + 1);
    expect(await shelf('land', start, '--order', 'size', '-o', '-')).toMatchObject({ code: 2 });
    expect(await shelf('patch', start, '--moves', 'many', '-o', '-')).toMatchObject({ code: 2 });
  });

  it('solves instances of patching and of tails', async () => {
    writeFileSync(at('patch-instance.json'), JSON.stringify(patchInstance(20, 24, 'tight', 1)));
    expect(JSON.parse((await shelf('solve', 'patch', at('patch-instance.json'))).out)).toMatchObject({
      status: 'optimal',
      solution: { assignment: expect.any(Object) },
    });
    writeFileSync(at('tails-instance.json'), JSON.stringify(tailsInstance(12, 1)));
    expect(JSON.parse((await shelf('solve', 'tails', at('tails-instance.json'))).out)).toMatchObject({
      status: 'optimal',
      solution: { portOf: expect.any(Object) },
    });
    writeFileSync(at('bad-instance.json'), '{"tails": [{"id": "a"}]}');
    expect(await shelf('solve', 'tails', at('bad-instance.json'))).toMatchObject({
      code: 2,
      said: expect.stringContaining('tails[0].order'),
    });
  });

  it('buys cable, and writes the pull sheet, the schedule and labels', async () => {
    await shelf('import', demo('quillback-runs.csv'), '--gear', demo('quillback-gear.json'), '-o', at('buy.json'));
    const bought = await shelf('buy', at('buy.json'), '--seconds', '1', '-o', at('bought.json'));
    expect(bought).toMatchObject({
      code: 0,
      said: expect.stringMatching(/Cat 6 U\/UTP: 30 runs, 3 boxes to buy, 0 m of scrap/),
    });
    const sheet = (await shelf('export', at('bought.json'), '--as', 'pull-sheet.csv', '-o', '-')).out
      .trim()
      .split('\n');
    expect(sheet).toHaveLength(41);
    const runs = await shelf('export', at('bought.json'), '--as', 'runs.csv', '-o', at('runs.csv'));
    expect(runs.code).toBe(0);
    expect(readFileSync(at('runs.csv'), 'utf8')).toMatch(/^label,floor,room,outlet,carries,cable,length_m,/);
    const labels = await shelf(
      'export',
      at('bought.json'),
      '--as',
      'labels.pdf',
      '--kind',
      'flag',
      '--sheet',
      'a4-3x8',
      '-o',
      at('l.pdf'),
    );
    expect(labels.code).toBe(0);
    expect(readFileSync(at('l.pdf')).subarray(0, 5).toString()).toBe('%PDF-');
    expect(
      await shelf('export', at('bought.json'), '--as', 'labels.svg', '--kind', 'wrap', '--sheet', 'a4-5x13', '-o', '-'),
    ).toMatchObject({
      code: 0,
      said: expect.stringContaining('A cable of 6 mm wants a label'),
    });
  });

  it('arranges a cabinet by a school with reasons, and draws it', async () => {
    await shelf('import', demo('quillback-runs.csv'), '--gear', demo('quillback-gear.json'), '-o', at('bare.json'));
    const made = await shelf(
      'arrange',
      at('bare.json'),
      '--school',
      'entry',
      '--seconds',
      '5',
      '-o',
      at('arranged.json'),
    );
    expect(made).toMatchObject({
      code: 0,
      said: expect.stringMatching(/points \(proven best\); cords about .*, 0 hot pairs/),
    });
    expect(made.out).toMatch(/^U18: .*\. .*Next best U\d+: [\d.]+ more \(.+\)\.$/m);
    expect(Object.keys(JSON.parse(readFileSync(at('arranged.json'), 'utf8')).placements)).toHaveLength(12);
    const again = await shelf('arrange', at('bare.json'), '--school', 'entry', '--seconds', '5');
    expect(again.out).toBe(made.out);
    expect(await shelf('arrange', at('bare.json'), '--school', 'heap')).toMatchObject({
      code: 2,
      said: expect.stringContaining('expected one of sandwich, managers, entry, found “heap”'),
    });
    const begins: Record<string, string> = {
      'elevation.png': '\u0089PNG',
      'hole-card.pdf': '%PDF-',
      'wall.pdf': '%PDF-',
    };
    for (const [as, first] of Object.entries(begins)) {
      expect((await shelf('export', at('arranged.json'), '--as', as, '-o', at(as))).code).toBe(0);
      expect(readFileSync(at(as)).toString('latin1', 0, first.length)).toBe(first);
    }
  });

  it('orders a cut-over, with what stands against it, and takes its papers away', async () => {
    const [today, plan] = [demo('ostermoor-today.json'), demo('ostermoor-plan.json')];
    const made = await shelf('cutover', today, plan, '--json');
    // A part comes too late for its visit: that will not work, and the exit code says so.
    expect(made.code).toBe(1);
    const { proven, steps, against, kit, visits } = JSON.parse(made.out);
    expect(proven).toBe(true);
    // A run is tested before its cord goes in.
    const at18 = steps.findIndex(({ words }: { words: string }) => words === 'Test run 18 from both ends');
    expect(steps.slice(at18).some(({ words }: { words: string }) => /^Patch Keystone panel 18 /.test(words))).toBe(
      true,
    );
    expect(steps.at(-1)).toMatchObject({ words: expect.stringMatching(/^Patch Keystone panel 18 /), safe: true });
    expect(against[0].what).toContain('New battery unit is due 2026-12-10');
    expect(kit.length).toBeGreaterThan(10);
    expect(visits).toHaveLength(3);
    expect((await shelf('cutover', today, plan)).out).toContain('Move Gateway  [down: Internet');
    expect((await shelf('cutover', 'none', plan)).said).toContain('0.0 weighted minutes dark (proven least)');
    expect(await shelf('cutover', today)).toMatchObject({ code: 2, said: expect.stringContaining('two job files') });
    expect(await shelf('export', plan, '--today', today, '--as', 'visits.ics', '-o', at('v.ics'))).toMatchObject({
      code: 0,
    });
    expect(readFileSync(at('v.ics'), 'utf8')).toContain('SUMMARY:Internet down (Ostermoor Pottery)');
    const instance = cutoverInstance(8, 1);
    writeFileSync(at('cutover.json'), JSON.stringify(instance));
    expect(JSON.parse((await shelf('solve', 'cutover', at('cutover.json'))).out).status).toBe('optimal');
  });

  it('finds the cheapest way to a fault', async () => {
    const plan = demo('ostermoor-plan.json');
    const made = await shelf('diagnose', plan, '--seen', '01: slow; 02: sound', '--json');
    expect(made.code).toBe(0);
    expect(JSON.parse(made.out)).toMatchObject([{ run: '01', seen: 'slow', proven: true }]);
    writeFileSync(at('seen.txt'), '03: dark\n04: dark\n');
    expect((await shelf('diagnose', plan, '--seen', at('seen.txt'))).out).toContain('03, dark:');
    for (const [seen, words] of [
      ['99: dark', 'there is no run “99”'],
      ['01: green', 'found “green”'],
    ] as const)
      expect(await shelf('diagnose', plan, '--seen', seen)).toMatchObject({
        code: 2,
        said: expect.stringContaining(words),
      });
    writeFileSync(at('diagnose.json'), JSON.stringify(diagnoseInstance(10, 1)));
    expect(JSON.parse((await shelf('solve', 'diagnose', at('diagnose.json'))).out).status).toBe('optimal');
  });

  it('solves an instance of a layout, and names what is wrong with one', async () => {
    const instance = {
      rackUnits: 6,
      cableEntry: 'top',
      hot_W: 50,
      weights: { cordDistance: 1, weightHeight: 0.1, heatAdjacency: 5, entryDistance: 2, freeBlock: 1 },
      devices: [
        {
          id: 'p',
          kind: 'panel',
          height_U: 1,
          weight_kg: 1,
          heat_W: 0,
          depthClass: 'short',
          fixedU: null,
          adjacentTo: null,
          nearEntry: true,
        },
        {
          id: 's',
          kind: 'switch',
          height_U: 1,
          weight_kg: 4,
          heat_W: 60,
          depthClass: 'mid',
          fixedU: null,
          adjacentTo: 'p',
          nearEntry: false,
        },
        {
          id: 'u',
          kind: 'ups',
          height_U: 2,
          weight_kg: 24,
          heat_W: 40,
          depthClass: 'deep',
          fixedU: 1,
          adjacentTo: null,
          nearEntry: false,
        },
      ],
      links: [{ a: 'p', b: 's', cords: 8 }],
    };
    writeFileSync(at('layout.json'), JSON.stringify(instance));
    const { code, out } = await shelf('solve', 'layout', at('layout.json'), '--seconds', '2', '--seed', '3');
    expect(code).toBe(0);
    // Panel in U6, switch in U5: 8 cords; masses 0.6 + 2 + 3.6; a free block of 2.
    expect(JSON.parse(out)).toMatchObject({
      status: 'optimal',
      objective: expect.closeTo(12.2, 9),
      solution: { bottomU: { p: 6, s: 5, u: 1 } },
    });
    writeFileSync(at('bad-layout.json'), JSON.stringify({ ...instance, rackUnits: 0 }));
    expect(await shelf('solve', 'layout', at('bad-layout.json'))).toMatchObject({
      code: 2,
      said: expect.stringContaining('rackUnits'),
    });
  });

  it('solves an instance of cutting boxes, and says what is proven', async () => {
    const runs = [40, 40, 25, 20.5].map((length_m, one) => ({
      id: `R${one}`,
      outlet: one < 2 ? 'A' : `B${one}`,
      length_m,
    }));
    const instance = {
      newBox_m: 100,
      minReusable_m: 15,
      pullTogether: true,
      partBoxes: [{ id: 'P1', left_m: 60.5 }],
      runs,
    };
    writeFileSync(at('cables.json'), JSON.stringify(instance));
    const { code, out } = await shelf('solve', 'cables', at('cables.json'), '--seconds', '1');
    expect(code).toBe(0);
    const { status, objective, bound, solution } = JSON.parse(out);
    expect({ status, objective, bound }).toEqual({ status: 'optimal', objective: 10_000, bound: 10_000 });
    expect(new Set([solution.boxOf.R0, solution.boxOf.R1])).toEqual(new Set(['P1', 'N1']));
    writeFileSync(
      at('long-piece.json'),
      JSON.stringify({ ...instance, runs: [{ id: 'R', outlet: '', length_m: 101 }] }),
    );
    expect(JSON.parse((await shelf('solve', 'cables', at('long-piece.json'))).out)).toMatchObject({
      status: 'infeasible',
      solution: null,
    });
  });

  it('ends with 1 when something will not work, and gives snags as JSON', async () => {
    writeFileSync(at('long.csv'), 'label,length_m\n01,140\n');
    await shelf('import', at('long.csv'), '-o', at('long.json'));
    const { code, out } = await shelf('check', at('long.json'), '--json');
    expect(code).toBe(1);
    expect(JSON.parse(out)[0]).toMatchObject({
      rule: 'link-too-long',
      grade: 'wont-work',
      source: expect.stringContaining('TIA-568'),
    });
  });

  it('names row and field, and writes nothing, unless bad rows are to be skipped', async () => {
    writeFileSync(at('bad.csv'), 'label,length_m\n01,22\n02,-5\n');
    const refused = await shelf('import', at('bad.csv'), '-o', at('bad.json'));
    expect(refused).toMatchObject({ code: 2, said: expect.stringContaining('Row 3, length_m: found “-5”') });
    expect(existsSync(at('bad.json'))).toBe(false);
    expect(await shelf('import', at('bad.csv'), '--skip-bad-rows', '-o', at('bad.json'))).toMatchObject({
      code: 0,
      said: expect.stringContaining('1 run,'),
    });
  });

  it.each([
    [['import', 'nowhere.csv', '-o', '-'], 'nowhere.csv: there is no such file'],
    [['plan', demo('quillback-runs.csv'), '-o', '-'], 'The job file is not JSON'],
    [['frobnicate', 'x'], 'There is no command frobnicate'],
    [['export', 'x', '--as', 'pdf'], '--as: expected one of'],
    [['plan', 'x'], 'Say where to write'],
    [['buy', 'x', '-o', '-', '--seconds', 'soon'], 'there is no such file'],
    [['solve', 'shelves', 'x'], 'solve takes a model (cables, cutover, diagnose, layout, patch, tails)'],
    [['solve', 'cables', demo('quillback-gear.json')], 'The instance is not as its model says'],
    [['check', 'x', '--wrong'], '--wrong'],
  ])('refuses %j in words', async (args, words) => {
    expect(await shelf(...args)).toMatchObject({ code: 2, said: expect.stringContaining(words) });
  });

  it('is a program that ends with the code of its work', () => {
    expect(program('frobnicate')).toMatchObject({ code: 2, said: expect.stringContaining('There is no command') });
    expect(program('schema', '--of', 'gear')).toMatchObject({ code: 0, out: expect.stringContaining('racks') });
    expect(program('export', demo('marrowby-job.json'), '--as', 'elevation.png', '-o', at('process.png')).code).toBe(0);
  });

  it('ends quietly where nobody reads on', () => {
    const piped = spawnSync('bash', ['-c', 'bin/shelf schema | head -c 20'], { cwd: root, encoding: 'utf8' });
    expect(piped.stdout).toHaveLength(20);
    expect(piped.stderr).toBe('');
  });

  it('prints the schemas', async () => {
    expect(JSON.parse((await shelf('schema')).out)).toMatchObject({ title: 'Good Shelf job', type: 'object' });
    expect(JSON.parse((await shelf('schema', '--of', 'gear')).out).properties).toHaveProperty('racks');
  });

  it('reckons an entry of the handbook, lists them all, and says what it expected', async () => {
    expect((await shelf('reckon', 'mains-current', 'watts=419', 'factor=0.6')).out).toBe(
      '3.04 A\n419 W / (230 V × 0.6)\n[physics: real power]\n',
    );
    const { out } = await shelf('reckon', 'temperature-loss', 'celsius=45', '--json');
    expect(JSON.parse(out)).toMatchObject({ value: '11.0', unit: '%', given: { celsius: 45, shield: 'unscreened' } });
    expect(JSON.parse((await shelf('reckon', '--list', '--json')).out).length).toBeGreaterThan(30);
    expect(await shelf('reckon', 'mains-current', 'volts=9')).toMatchObject({
      code: 2,
      said: expect.stringContaining('volts: found “9”, expected 100 to 240 V.'),
    });
    expect(await shelf('reckon')).toMatchObject({ code: 2 });
  });

  it('says which column it took for what, and what it left out', async () => {
    const list = at('liste.csv');
    writeFileSync(
      list,
      'Begehung 12. Mai\n\nKabel-Nr;Raum;Länge (m);Farbe;Bauleiter\n7;Diele;12,5;blau;Orla\n;Bad;8;;\n',
    );
    const made = await shelf('import', list, '-o', at('liste.json'));
    expect(made).toMatchObject({ code: 0 });
    expect(made.said).toContain('1 line above the header left out');
    expect(made.said).toContain('column “Kabel-Nr” → label');
    expect(made.said).toContain('column “Länge (m)” → length_m');
    expect(made.said).toContain('column “Bauleiter” → ignored');
    expect(made.said).toContain('1 row without a label, now X01 to X01');
  });
});
