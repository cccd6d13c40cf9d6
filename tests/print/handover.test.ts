import { execFileSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { unzipSync, zipSync } from 'fflate';
import ICAL from 'ical.js';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { readJobFile, writeJobFile } from '../../src/core/exchange/formats/jobFile';
import { portMapCsv } from '../../src/core/exchange/formats/portMap';
import type { About } from '../../src/core/exchange/handover/about';
import { jobFromPortMap } from '../../src/core/exchange/handover/jobFromPortMap';
import { PACK_SECTIONS, readPackSections } from '../../src/core/exchange/handover/packSections';
import { indexJob } from '../../src/core/job/document/jobIndex';
import { portsOf } from '../../src/core/job/records/ports';
import { comparedPdf } from '../../src/print/comparedPdf';
import { makeTakeaway } from '../../src/print/makeTakeaway';
import { jobInPack, looksLikePack, readPack } from '../../src/print/readPack';
import { apply, quillback, tarnbrook } from '../support/jobs';
import { powered } from '../support/powered';

const root = resolve(import.meta.dirname, '../..');
const about: About = {
  version: 'Version “As built”',
  at: '2026-11-27T18:30:00Z',
  address: 'https://shelf.example/jobs/x',
};
const make = async (...[id, job, more]: Parameters<typeof makeTakeaway>) => makeTakeaway(id, job, { about, ...more });
const bytesOf = async (...args: Parameters<typeof make>): Promise<Uint8Array> => {
  const made = await make(...args);
  return typeof made === 'string' ? new TextEncoder().encode(made) : made;
};
const folder = mkdtempSync(join(tmpdir(), 'pack-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));
const keep = (name: string, bytes: Uint8Array): string => {
  const path = join(folder, name);
  writeFileSync(path, bytes);
  return path;
};
const JOBS = { quillback: powered, tarnbrook } as const;

describe('the pack as open files', () => {
  let zip: Uint8Array;
  const job = powered();
  const files = [
    {
      name: 'Tests of Monday.csv',
      kind: 'tester' as const,
      about: '',
      bytes: new TextEncoder().encode('label,passed\n1,pass\n'),
    },
    { name: '../../etc/Tests of Monday.csv', kind: 'walk' as const, about: '', bytes: new Uint8Array([1, 2, 3]) },
    {
      name: 'before',
      kind: 'photo' as const,
      about: Object.keys(job.runs)[0] ?? '',
      bytes: new Uint8Array([0xff, 0xd8, 1]),
    },
  ];
  beforeAll(async () => {
    zip = await bytesOf('pack.zip', job, { root, files });
  });

  it('is clean to Debian’s unzip, and each file has the sum that its manifest says', () => {
    const path = keep('pack.zip', zip);
    expect(execFileSync('unzip', ['-t', path], { encoding: 'utf8' })).toContain('No errors detected');
    const out = join(folder, 'out');
    execFileSync('unzip', ['-q', '-o', path, '-d', out]);
    const manifest = JSON.parse(readFileSync(join(out, 'manifest.json'), 'utf8'));
    const sums = manifest.files
      .map((file: { name: string; sha256: string }) => `${file.sha256}  ${file.name}`)
      .join('\n');
    writeFileSync(join(out, 'sums'), `${sums}\n`);
    execFileSync('sha256sum', ['-c', '--quiet', 'sums'], { cwd: out });
    for (const { name, bytes } of manifest.files) expect(readFileSync(join(out, name)).byteLength).toBe(bytes);
    // Nothing leaves its folder, whatever a file was called.
    expect(manifest.files.every(({ name }: { name: string }) => !name.includes('..'))).toBe(true);
    expect(existsSync(join(out, 'tests/Tests of Monday.csv'))).toBe(true);
    expect(existsSync(join(out, 'photographs/before.jpg'))).toBe(true);
  });

  it('reads back into an equal job', () => {
    expect(looksLikePack(zip)).toBe(true);
    expect(readJobFile(jobInPack(zip))).toEqual(readJobFile(writeJobFile(job)));
    expect(readPack(zip).faults).toEqual([]);
  });

  it('is the same octet by octet, made again', async () => {
    const again = await bytesOf('pack.zip', job, { root, files });
    expect(createHash('sha256').update(again).digest('hex')).toBe(createHash('sha256').update(zip).digest('hex'));
  });

  it('changed by one octet it is refused, wherever that is', () => {
    // All over it, and each of the first and the last: headers that readers overlook stand there.
    const step = Math.ceil(zip.length / 40);
    const places = new Set(Array.from({ length: 40 }, (_, n) => Math.min(zip.length - 1, n * step)));
    for (let n = 0; n < 100; n += 1) places.add(n).add(zip.length - 1 - n);
    for (const at of places) {
      const changed = zip.slice();
      changed[at] = (changed[at] ?? 0) ^ 0x5a;
      let faults: readonly string[] = [];
      try {
        faults = readPack(changed).faults;
      } catch (fault) {
        expect((fault as Error).name).toBe('Refusal');
        faults = [(fault as Error).message];
      }
      expect(faults, `octet ${at} of ${zip.length}`).not.toEqual([]);
    }
  });

  it('packed anew by another program it opens, when no file was changed', () => {
    const anew = zipSync(unzipSync(zip), { level: 1 });
    expect(readPack(anew).faults).toEqual([]);
  });

  it('what is no pack is refused in words', () => {
    for (const bytes of [
      new Uint8Array(),
      new TextEncoder().encode('PK\u0003\u0004 and nothing else'),
      zip.slice(0, 300),
    ])
      expect(() => readPack(bytes)).toThrow(/archive|manifest/);
  });
});

describe.each(Object.entries(JOBS))('the pack on paper, of %s', (_, of) => {
  const job = of();
  let text = '';
  let path = '';
  beforeAll(async () => {
    const all = PACK_SECTIONS.map(({ id }) => id).join(',');
    const log = [{ at: '2026-11-20T10:00:00Z', who: 'Kim', what: 'Land 3 runs', why: 'Asked for' }];
    path = keep('pack.pdf', await bytesOf('pack.pdf', job, { root, words: { sections: all }, log }));
    text = execFileSync('pdftotext', ['-layout', path, '-'], { encoding: 'utf8', maxBuffer: 64 * 1024 * 1024 });
  });

  it('holds every run, every port that is used, and every section with its page', () => {
    for (const { label } of indexJob(job).runsInOrder) expect(text).toContain(label);
    for (const { panelId, port } of Object.values(job.landings)) {
      const panel = job.gear[panelId];
      if (panel && portsOf(panel).length > 0) expect(text).toContain(`· ${port}`);
    }
    const pages = Number(/page 1 of (\d+)/.exec(text)?.[1]);
    expect(pages).toBeGreaterThan(5);
    for (let page = 1; page <= pages; page++) expect(text).toContain(`page ${page} of ${pages}`);
    const each = text.split('\f');
    for (const { words } of PACK_SECTIONS) {
      const listed = new RegExp(`${words.slice(0, 30)}.*?\\s(\\d+)\\s*$`, 'm').exec(each[0] ?? '');
      if (!listed) continue;
      if (words !== 'Elevations' && words !== 'Plans of the floors')
        expect(each[Number(listed[1]) - 1]).toContain(words.slice(0, 30));
    }
  });

  it('carries its own letters, and nothing stands outside of a page', () => {
    const fonts = execFileSync('pdffonts', [path], { encoding: 'utf8' }).split('\n').slice(2).filter(Boolean);
    expect(fonts.length).toBeGreaterThan(0);
    for (const font of fonts) expect(font).toMatch(/ yes +(yes|no) +yes /);
    const boxes = execFileSync('pdftotext', ['-bbox', path, '-'], { encoding: 'utf8', maxBuffer: 64 * 1024 * 1024 });
    let [width, height] = [0, 0];
    for (const line of boxes.split('\n')) {
      const page = /<page width="([\d.]+)" height="([\d.]+)"/.exec(line);
      if (page) [width, height] = [Number(page[1]), Number(page[2])];
      const word = /<word xMin="([-\d.]+)" yMin="([-\d.]+)" xMax="([-\d.]+)" yMax="([-\d.]+)"/.exec(line);
      if (!word) continue;
      const [left, top, right, bottom] = word.slice(1).map(Number) as [number, number, number, number];
      expect(left).toBeGreaterThanOrEqual(0);
      expect(top).toBeGreaterThanOrEqual(-1);
      expect(right).toBeLessThanOrEqual(width + 1);
      expect(bottom).toBeLessThanOrEqual(height + 1);
    }
  });

  it('fits its front and its port map on one page for the door', async () => {
    const door = keep('door.pdf', await bytesOf('door.pdf', job, { root }));
    const info = execFileSync('pdfinfo', [door], { encoding: 'utf8' });
    expect(info).toMatch(/Pages:\s+1\n/);
    const words = execFileSync('pdftotext', ['-layout', door, '-'], { encoding: 'utf8' });
    for (const { runId } of Object.values(job.landings)) expect(words).toContain(job.runs[runId]?.label ?? '');
  });
});

describe('what the pack holds', () => {
  it('is chosen by name, cost only where it is asked for', async () => {
    expect(readPackSections(undefined)).not.toContain('cost');
    expect(readPackSections('log,summary')).toEqual(['summary', 'log']);
    expect(() => readPackSections('summary,secrets')).toThrow('found “secrets”');
    const text = async (sections: string) =>
      execFileSync(
        'pdftotext',
        [keep('some.pdf', await bytesOf('pack.pdf', quillback(), { root, words: { sections } })), '-'],
        {
          encoding: 'utf8',
        },
      );
    expect(await text('cost')).toContain('Parts and hours');
    expect(await text('summary')).not.toContain('Parts and hours');
  });

  it('two versions on paper say what was and what is', async () => {
    const before = quillback();
    const run = indexJob(before).runsInOrder[0];
    const after = apply(before, {
      type: 'editRuns',
      edits: [{ runId: run?.id ?? '', changes: { device: 'another thing' } }],
    });
    const path = keep('compared.pdf', await comparedPdf(before, after, 1, 2, root));
    expect(execFileSync('pdftotext', [path, '-'], { encoding: 'utf8' })).toContain('another thing');
    const same = keep('same.pdf', await comparedPdf(before, before, 1, 1, root));
    expect(execFileSync('pdftotext', [same, '-'], { encoding: 'utf8' })).toContain('There is no difference');
  });

  it('dates of care are read by another’s parser', async () => {
    const job = apply(powered(), {
      type: 'keepRows',
      rows: [
        {
          table: 'careItems',
          record: {
            id: 'f',
            what: 'Clean the filters; and, if needed, change them',
            gearId: null,
            everyMonths: 6,
            lastOn: '2026-06-01',
            dueOn: null,
            usual: null,
            note: '',
          },
        },
      ],
    });
    const calendar = new ICAL.Component(ICAL.parse(String(await make('care.ics', job, { root }))));
    const events = calendar.getAllSubcomponents('vevent').map((one) => new ICAL.Event(one));
    const filters = events.find(({ summary }) => summary.startsWith('Clean the filters; and, if needed, change them'));
    expect(filters?.startDate.toString()).toBe('2026-12-01');
    expect(filters?.startDate.isDate).toBe(true);
  });
});

describe('a job from its port map alone', () => {
  it('has its runs, panels and switches, what is landed and patched, and says what it has not', () => {
    const job = tarnbrook();
    const { job: again, notes } = jobFromPortMap(portMapCsv(job), { id: 'again', name: 'Again' });
    const shape = (of: typeof job) =>
      portMapCsv(of)
        .split('\n')
        .slice(1)
        .filter((line) => line !== '' && !line.startsWith(','))
        .map((line) => line.split(',').slice(0, 14).join());
    expect(shape(again).length).toBe(indexJob(job).runsInOrder.length);
    const ends = (of: typeof job) =>
      indexJob(of).runsInOrder.map(({ label }) => shape(of).find((line) => line.startsWith(`${label},`)));
    // The way of each run, whatever of the rest is not in it.
    expect(ends(again).map((line) => line?.split(',').slice(0, 9))).toEqual(
      ends(job).map((line) => line?.split(',').slice(0, 9)),
    );
    expect(notes.join(' ')).toContain('does not hold');
  });

  it('names row and field of what is wrong', () => {
    const head = 'label,floor,room,outlet,device,cable,length_m,panel,panel_port,switch,switch_port';
    const read = (row: string) => () => jobFromPortMap(`${head}\n${row}\n`, { id: 'x', name: 'X' });
    expect(read('1,,,,,,,Panel,many,,')).toThrow('Row 2, panel_port: found “many”');
    expect(read('1,,,,,,far,Panel,1,,')).toThrow('Row 2, length_m: found “far”');
    expect(read('1,,,,,,,,,,\n1,,,,,,,,,,')).toThrow('Row 3, label: 1 stands twice');
    expect(() => jobFromPortMap('label,room\n1,hall\n', { id: 'x', name: 'X' })).toThrow('It is no port map');
  });
});
