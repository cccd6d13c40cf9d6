import { describe, expect, it } from 'vitest';
import { elevationSvg } from '../../src/core/exchange/formats/elevationSvg';
import { Gear } from '../../src/core/job/records/gear';
import { drillTemplate, tile } from '../../src/core/trade/rack/mounting/drillTemplate';
import { mountOf } from '../../src/core/trade/rack/mounting/wallMount';
import { planJob } from '../../src/core/trade/wholeJob/planJob';
import { elevationPng } from '../../src/print/elevationPng';
import { holeCardPdf } from '../../src/print/holeCardPdf';
import { wallPdf } from '../../src/print/wallPdf';
import { apply, bench, quillback } from '../support/jobs';

const root = process.cwd();
const pages = (pdf: Buffer) => pdf.toString('latin1').match(/\/Type \/Page\b/g)?.length;
const job = planJob(quillback()).job;

describe('the elevation', () => {
  it('has front, rear and side of every rack, escaped, in millimetres', () => {
    const gear = Gear.parse({ id: 'odd', name: 'Odd <&> one', kind: 'other', heightU: 1, depthMm: 100 });
    const odd = apply(
      bench(),
      { type: 'addGear', gear: [gear] },
      { type: 'placeGear', gearId: 'odd', rackId: 'rack', bottomU: 3, face: 'rear' },
    );
    const svg = elevationSvg(odd);
    for (const view of ['front', 'rear', 'side']) expect(svg).toContain(`>Rack: ${view}<`);
    expect(svg).toContain('Odd &lt;&amp;&gt; one');
    expect(svg).not.toMatch(/NaN|undefined/);
    expect(svg).toMatch(/width="[\d.]+mm"/);
  });

  it('is a picture of two pixels a millimetre', async () => {
    const png = Buffer.from(await elevationPng(bench(), root));
    const [, width = '0'] = /width="([\d.]+)mm"/.exec(elevationSvg(bench())) ?? [];
    expect(png.subarray(1, 4).toString()).toBe('PNG');
    expect(png.readUInt32BE(16)).toBeCloseTo(2 * Number(width), -1);
  });
});

describe('sheets', () => {
  it('are Letter in North America and A4 elsewhere; the drill template stays true to size', async () => {
    const sizes = (pdf: Buffer) => [...pdf.toString('latin1').matchAll(/MediaBox \[0 0 ([\d.]+) ([\d.]+)\]/g)];
    const american = apply(job, { type: 'editJob', changes: { country: 'US', rules: 'north-america' } });
    for (const [of, width, height] of [
      [job, 210, 297],
      [american, 215.9, 279.4],
    ] as const)
      for (const sheet of [holeCardPdf, wallPdf])
        for (const [, w, h] of sizes(await sheet(of, root))) {
          expect(Number(w)).toBeCloseTo((width / 25.4) * 72, 1);
          expect(Number(h)).toBeCloseTo((height / 25.4) * 72, 1);
        }
    expect(tile.heightMm + 24).toBeLessThan(279.4);
  });

  it('are a hole card a rack', async () => expect(pages(await holeCardPdf(job, root))).toBe(1));

  it('are the wall sheet and every tile of the template, and one page where nothing hangs', async () => {
    const rack = job.racks.cabinet;
    if (!rack) throw new Error('no rack');
    expect(pages(await wallPdf(job, root))).toBe(1 + drillTemplate(mountOf(job, rack)).tiles.length);
    expect(pages(await wallPdf(bench(), root))).toBe(1);
  });
});
