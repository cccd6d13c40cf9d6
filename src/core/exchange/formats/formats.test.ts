import fc from 'fast-check';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { apply, bench, counter, demoText, projectText, quillback } from '../../../../tests/support/jobs';
import { unsealed } from '../../../../tests/support/unsealed';
import { Refusal } from '../../base/text/refusal';
import { applyCommands } from '../../job/commands/apply';
import { emptyJob, type Job } from '../../job/document/job';
import { portsOf } from '../../job/records/ports';
import { guessColumns } from '../../trade/runs/runColumns';
import { planJob } from '../../trade/wholeJob/planJob';
import { readCsvTable } from './csvTable';
import { decodeText } from './decodeText';
import { elevationSvg } from './elevationSvg';
import { readGearFile } from './gearFile';
import { jobFileSchema, readJobFile, writeJobFile } from './jobFile';
import { PORT_MAP_COLUMNS, portMapCsv } from './portMap';
import { faultWords, importCommand, previewRuns } from './previewRuns';

const empty = emptyJob({ id: 'job', name: 'Job', units: 'metric' });
const bytes = (text: string) => new TextEncoder().encode(text);

function preview(text: string, job: Job = empty) {
  const table = readCsvTable(text);
  return previewRuns(job, table, guessColumns(table.header, job.units));
}
const faults = (text: string) =>
  preview(text).rows.flatMap((row) => row.faults.map((fault) => faultWords(row.line, fault)));
const fields = (text: string) => preview(text).rows.map((row) => row.fields);

describe('text of a file', () => {
  it('reads UTF-8 with and without mark, UTF-16 both ways, and Windows-1252', () => {
    const text = 'label,room\n01,Café\n';
    const utf16 = new Uint8Array([
      0xff,
      0xfe,
      ...new Uint8Array(Uint16Array.from([...text].map((c) => c.charCodeAt(0))).buffer),
    ]);
    const swapped = new Uint8Array(utf16);
    for (let at = 0; at < swapped.length; at += 2) swapped.set([utf16[at + 1] ?? 0, utf16[at] ?? 0], at);
    const windows = Uint8Array.from([...text].map((c) => c.charCodeAt(0)));
    for (const one of [bytes(text), bytes(`\uFEFF${text}`), utf16, swapped, windows]) {
      expect(fields(decodeText(one).text)).toEqual([{ label: '01', room: 'Café' }]);
    }
  });

  it('turns a binary file away', () => {
    const image = Uint8Array.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 0, 0, 0, 13]);
    expect(() => decodeText(image)).toThrow('not a text file');
  });
});

describe('reading runs', () => {
  it.each([
    ['commas', 'label,room,length_m\n01,Hall,22.5\n'],
    ['semicolons and decimal commas', 'label;room;length_m\n01;Hall;22,5\n'],
    ['tabs', 'label\troom\tlength_m\n01\tHall\t22.5\n'],
    ['bars', 'label|room|length_m\n01|Hall|22.5'],
    ['quotes', '"label","room","length_m"\r\n"01","Hall","22.5"\r\n'],
    ['other headings and empty rows', '\n Cable ID , Location,Length (m)\n\n01,Hall,22.5 m\n,,\n'],
  ])('takes %s', (_, text) => {
    expect(fields(text)).toEqual([{ label: '01', room: 'Hall', lengthMm: 22_500 }]);
  });

  it('takes feet by heading or by the units of the job', () => {
    expect(fields('label,length_ft\n01,10\n')).toEqual([{ label: '01', lengthMm: 3048 }]);
    const table = readCsvTable('label,length\n01,10\n');
    expect(guessColumns(table.header, 'imperial')).toEqual(['label', 'length_ft']);
  });

  it('keeps quoted separators, and joins line ends within a cell to one line', () => {
    expect(fields('label,notes\n01,"a, b\nand ""c"""\n')).toEqual([{ label: '01', notes: 'a, b and "c"' }]);
  });

  it('leaves cells that a short row lacks as they are, and names cells that a long row has too many', () => {
    expect(fields('label,room,notes\n01,Hall\n')).toEqual([{ label: '01', room: 'Hall' }]);
    expect(faults('label,room\n01,Hall,more\n')).toEqual([
      'Row 2: found “more”, expected 2 cells; is a separator or a quote in a cell?.',
    ]);
  });

  it('says which row, which field, what stands there and what was expected', () => {
    const text =
      'label,length_m,poe_w,speed_mbps,critical,carries\n,1,,,,\n02,-3,,,,\n03,99999,lots,fast,maybe,water\n04,,,,,\n04,,,,,\n';
    expect(faults(text)).toEqual([
      'Row 2, label: found nothing, expected a label, or a room, outlet, cable, device or tail.',
      'Row 3, length_m: found “-3”, expected a length above 0 and up to 10,000 m, such as 22.5.',
      'Row 4, length_m: found “99999”, expected a length above 0 and up to 10,000 m, such as 22.5.',
      'Row 4, poe_w: found “lots”, expected watts from 0 to 1,000, such as 12.5.',
      'Row 4, speed_mbps: found “fast”, expected a speed in Mb/s from 1 to 800,000, such as 1000.',
      'Row 4, critical: found “maybe”, expected yes or no.',
      'Row 4, carries: found “water”, expected one of ethernet, fibre, coax, telephone, speaker, other.',
      'Row 6, label: found “04”, expected a label of its own; row 5 has this one.',
    ]);
  });

  it.each([
    ['nothing', '', 'no rows'],
    ['a header alone', 'label,room\n', 'no rows'],
    ['a quote that stays open', 'label\n"01\n02\n', 'never closed'],
    ['more rows than a job has runs', `label\n${'x\n'.repeat(20_001)}`, 'at most 20000'],
  ])('refuses %s as a whole', (_, text, words) => {
    expect(() => preview(text)).toThrow(words);
  });

  it('gives rows without a label a tag that nothing has, and leaves out what is no run', () => {
    const made = preview('label,room,device\nX01,Hall,\n,Store,camera\n,,\n,Loft,\n');
    expect(made.rows.map((row) => [row.fields.label, row.tagged])).toEqual([
      ['X01', false],
      ['X02', true],
      ['X03', true],
    ]);
    expect(preview('Raum;Gerät\nDiele;Kamera\n').rows[0]).toMatchObject({ fields: { label: 'X01' }, becomes: 'new' });
    expect(faults('label,room,notes\n,,Sum of all\n')).toEqual([
      'Row 2, label: found nothing, expected a label, or a room, outlet, cable, device or tail.',
    ]);
  });

  it.each([
    [
      'Site survey 12 May\nProject 4711\n\nCable No;Location;Length (ft);Rate;PoE (W);VLAN\n1;Hall;65 ft;1 GbE;~20;Office\n',
      { label: '1', room: 'Hall', lengthMm: 19_812, speedMbps: 1000, poeW: 20, network: 'Office' },
    ],
    [
      'Kabel-Nr;Etage;Raum;Dose;Länge (m);Gerät;Bemerkung\nK 7;EG;Küche;links;12,5;Drucker;prüfen\n',
      {
        label: 'K 7',
        floor: 'EG',
        room: 'Küche',
        outlet: 'links',
        lengthMm: 12_500,
        device: 'Drucker',
        notes: 'prüfen',
      },
    ],
    [
      'N° de câble;Niveau;Pièce;Prise;Longueur;Débit;Réseau\n3;RDC;Salle à manger;gauche;20 m;100M;Invités\n',
      { label: '3', floor: 'RDC', room: 'Salle à manger', lengthMm: 20_000, speedMbps: 100, network: 'Invités' },
    ],
    [
      'Número;Planta;Sala;Toma;Longitud;Velocidad;Observaciones\n9;Baja;Cocina;1;~18;2.5 Gbit;revisar\n',
      { label: '9', floor: 'Baja', room: 'Cocina', outlet: '1', lengthMm: 18_000, speedMbps: 2500, notes: 'revisar' },
    ],
    [
      'Kabelnummer\tVerdieping\tRuimte\tAansluiting\tLengte\tOpmerking\nA-1\tBG\tKeuken\trechts\t7,25\tnieuw\n',
      { label: 'A-1', floor: 'BG', room: 'Keuken', outlet: 'rechts', lengthMm: 7250, notes: 'nieuw' },
    ],
  ])('knows the words of lists, under title lines and in five languages: %s', (text, expected) => {
    expect(fields(text)[0]).toMatchObject(expected);
    expect(faults(text)).toEqual([]);
  });

  it('reads figures as people write them', () => {
    const speed = (cell: string) => fields(`label,room,rate\n1,Hall,"${cell}"\n`)[0]?.speedMbps;
    expect(['100M', '2.5 Gbit', '1 GbE', '10G', '1000', '10GBASE-T', '100 Mb/s', '2,5 G'].map(speed)).toEqual([
      100, 2500, 1000, 10_000, 1000, 10_000, 100, 2500,
    ]);
    const power = (cell: string) => {
      const [row] = fields(`label,room,poe\n1,Hall,"${cell}"\n`);
      return [row?.poeW ?? null, row?.poeClass ?? null];
    };
    // That it is powered says nothing of how much: class 0. A type says the most it may be.
    expect(['~20', '15.4W', 'yes', 'no', 'PoE+', '802.3bt'].map(power)).toEqual([
      [20, null],
      [15.4, null],
      [null, 0],
      [0, null],
      [null, 4],
      [null, 8],
    ]);
    expect(fields("label,room,length\n1,Hall,ca. 20 m\n2,Hall,65'\n").map((row) => row.lengthMm)).toEqual([
      20_000, 19_812,
    ]);
    expect(fields('label,room,critical\n1,a,x\n2,b,oui\n3,c,nein\n').map((row) => row.critical)).toEqual([
      true,
      true,
      false,
    ]);
  });

  it('never takes coax, fibre, speaker or telephone cable for data because nobody said so', () => {
    const carries = (cable: string) => fields(`label,room,cable\n1,Hall,"${cable}"\n`)[0]?.carries ?? null;
    const cables = ['RG6', 'Coax RG-59', 'Fibre OM3 duplex', 'OS2', 'Lautsprecher 2×2.5', 'Speaker 16/2', 'CW1308'];
    expect([...cables, 'Cat 6 U/UTP', 'string'].map(carries)).toEqual([
      'coax',
      'coax',
      'fibre',
      'fibre',
      'speaker',
      'speaker',
      'telephone',
      'ethernet',
      null,
    ]);
    // What the list says itself goes before.
    expect(fields('label,room,cable,carries\n1,Hall,Cat 5e U/UTP,telephone\n')[0]?.carries).toBe('telephone');
  });

  it('never throws anything but a refusal, on any bytes', () => {
    fc.assert(
      fc.property(
        fc.oneof(fc.uint8Array({ maxLength: 400 }), fc.string({ unit: 'binary', maxLength: 200 }).map(bytes)),
        (any) => {
          try {
            const result = preview(decodeText(any).text);
            const command = importCommand(result, counter());
            if (command) applyCommands(empty, [command]);
          } catch (fault) {
            expect(fault).toBeInstanceOf(Refusal);
          }
        },
      ),
      { numRuns: 600 },
    );
  });

  it('takes any sheet with a label column as far as its rows are sound', () => {
    const cell = fc.oneof(fc.string({ maxLength: 12 }), fc.constantFrom('22.5', '-1', '=1+1', '<b>x</b>', '"', 'yes'));
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.string({ minLength: 1, maxLength: 6 }), cell, cell, cell), {
          minLength: 1,
          maxLength: 20,
        }),
        (rows) => {
          const text = Papa.unparse([['label', 'room', 'length_m', 'critical'], ...rows]);
          const table = readCsvTable(text);
          const result = previewRuns(empty, table, guessColumns(table.header, 'metric'));
          const command = importCommand(result, counter());
          const job = command ? applyCommands(empty, [command]).job : empty;
          expect(Object.keys(job.runs)).toHaveLength(result.counts.new);
          expect(result.counts.new + result.counts['not taken']).toBe(table.rows.length);
        },
      ),
    );
  });

  it('changes nothing when the same file comes again, and shows the difference when it changed', () => {
    const job = quillback();
    const text = demoText('quillback-runs.csv');
    expect(preview(text, job).counts).toEqual({ new: 0, changed: 0, same: 40, 'not taken': 0 });
    expect(importCommand(preview(text, job), counter())).toBeNull();

    const edited = preview(text.replace('22.5,front desk PC', '23.5,front desk PC'), job);
    expect(edited.counts).toMatchObject({ new: 0, changed: 1, same: 39 });
    expect(edited.rows[0]?.differences).toEqual([{ field: 'lengthMm', was: '22.5 m', will: '23.5 m' }]);
    const command = importCommand(edited, counter('again'));
    expect(Object.keys(applyCommands(job, command ? [command] : []).job.runs)).toHaveLength(40);
  });

  it('matches labels whatever their case, so that nothing doubles', () => {
    const job = bench({ 'GF-a': {} });
    expect(preview('label,room\ngf-A,Hall\n', job).counts).toMatchObject({ new: 0, changed: 1 });
  });
});

describe('port map', () => {
  it('has the agreed columns in their order', () => {
    expect(portMapCsv(empty).trim()).toBe(
      'label,floor,room,outlet,device,cable,length_m,panel,panel_port,cord_length_m,cord_colour,switch,switch_port,network,poe_class,critical,state,notes',
    );
  });

  it('says of each run of the demo site where it goes', () => {
    const { data } = Papa.parse<Record<string, string>>(portMapCsv(planJob(quillback()).job), {
      header: true,
      skipEmptyLines: true,
    });
    const row = (label: string) => data.find((one) => one.label === label);
    expect(data.filter((one) => one.label)).toHaveLength(40);
    expect(data.filter((one) => !one.label).map((one) => one.device)).toContain('Optical modem');
    expect(row('07')).toMatchObject({
      panel: 'Panel A',
      panel_port: '7',
      switch: 'Switch A',
      network: 'Access points',
      poe_class: '4',
      critical: 'yes',
      state: 'patched',
    });
    expect(row('06')).toMatchObject({ state: 'spare', switch: '', cord_length_m: '', notes: 'spare behind screen' });
    expect(row('16')).toMatchObject({ state: 'landed', switch: '' });
    expect(row('F1')).toMatchObject({ cable: 'OM3 duplex LC', length_m: '74', state: 'patched' });
  });

  it('neutralises formulas', () => {
    const run = { id: 'run', label: '=HYPERLINK("x")', notes: '@SUM(A1)', room: '+1', outlet: '-2+A1' };
    const job = apply(empty, { type: 'addRuns', runs: [run] });
    const [, line] = portMapCsv(job).split('\n');
    for (const cell of Papa.parse<string[]>(line ?? '').data[0] ?? []) expect(cell).not.toMatch(/^[=+@-]/);
    expect(PORT_MAP_COLUMNS).toHaveLength(18);
  });
});

describe('elevation as SVG', () => {
  it('is to scale, one unit a millimetre, with every port', () => {
    const svg = elevationSvg(planJob(quillback()).job);
    const [, width, height] = /viewBox="0 0 ([\d.]+) ([\d.]+)"/.exec(svg) ?? [];
    expect(svg).toContain(`width="${width}mm" height="${height}mm"`);
    // Two columns in front and two behind.
    expect(svg.match(/<circle/g)).toHaveLength(18 * 3 * 2 * 2);
    expect(svg.match(/fill="#eee"/g)).toHaveLength(24 + 24 + 26 + 18 + 11 + 2 + 8 + 4);
  });

  it('shows markup in names as text', () => {
    const job = apply(bench(), { type: 'editGear', gearId: 'switch', changes: { name: '<script>"&\'' } });
    const svg = elevationSvg(job);
    expect(svg).not.toContain('<script');
    expect(svg).toContain('&lt;script&gt;&quot;&amp;&#39;');
  });
});

describe('job file', () => {
  const text = writeJobFile(bench({ 1: {} }));
  const edited = (change: (file: Record<string, unknown>) => void): string => {
    const file = JSON.parse(text);
    change(file);
    return JSON.stringify(file);
  };

  it('is the same for equal jobs', () => {
    expect(writeJobFile(readJobFile(text))).toBe(text);
  });

  it.each([
    ['not JSON', '{', 'is not JSON'],
    ['something else', '{"format":"other"}', 'not a job of Good Shelf'],
    [
      'another version',
      edited((file) => Object.assign(file, { version: 9 })),
      'format version 9; this program reads versions 1 to 8',
    ],
    [
      'a bad field',
      edited((file) => Object.assign((file.runs as object[])[0] ?? {}, { lengthMm: -1 })),
      'runs[0].lengthMm: expected at least 1',
    ],
    [
      'an unknown field',
      edited((file) => Object.assign((file.racks as object[])[0] ?? {}, { colour: 'red' })),
      'racks[0]',
    ],
    [
      'a reserved id',
      edited((file) => Object.assign((file.runs as object[])[0] ?? {}, { id: 'constructor' })),
      'runs[0].id: is a reserved word',
    ],
    [
      'an id that stands twice',
      edited((file) => (file.runs as object[]).push({ id: 'run-1', label: 'x' })),
      'runs[1].id: the id run-1 stands twice',
    ],
    [
      'a loose end',
      edited((file) => Object.assign(file, { landings: [{ id: 'l', runId: 'nobody', panelId: 'panel', port: 99 }] })),
      'landings l.runId: expected the id of a record in runs, found nobody; landings l: Panel has no port 99',
    ],
  ])('refuses %s and says where', (_, wrong, words) => {
    expect(() => readJobFile(wrong)).toThrow(words);
  });

  it('gives a job that is sealed all through, so that what is worked out of its parts is kept', () => {
    const job = readJobFile(writeJobFile(quillback()));
    expect(unsealed(job)).toEqual([]);
    for (const gear of Object.values(job.gear)) expect(portsOf(gear)).toBe(portsOf(gear));
  });

  it('may leave out what has a default', () => {
    const job = readJobFile(
      JSON.stringify({
        format: 'good-shelf-job',
        version: 1,
        job: { id: 'a', name: 'A' },
        runs: [{ id: 'r', label: '1' }],
      }),
    );
    expect(job.runs.r).toMatchObject({ carries: 'ethernet', lengthMm: null, critical: false });
  });

  it('is described by a JSON Schema that matches the one published', () => {
    const published = JSON.parse(projectText('docs/job.schema.json'));
    expect(JSON.parse(JSON.stringify(jobFileSchema()))).toEqual(published);
  });
});

describe('gear file', () => {
  it('gives ids to records without one', () => {
    const { racks, gear } = readGearFile(
      '{"racks":[{"name":"R","units":9,"depthMm":300}],"gear":[{"name":"P","kind":"panel","heightU":1,"depthMm":90}]}',
    );
    expect([racks[0]?.id, gear[0]?.id]).toEqual(['rack-1', 'gear-1']);
  });

  it('names record and field', () => {
    expect(() => readGearFile('{"gear":[{"name":"P","kind":"sofa","heightU":0,"depthMm":90}]}')).toThrow(
      /gear\[0\]\.kind.*gear\[0\]\.heightU: expected at least 1/,
    );
  });
});
