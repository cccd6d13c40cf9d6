import { describe, expect, it } from 'vitest';
import { readLabelOptions } from '../../src/core/trade/labels/labelOptions';
import { labelPages } from '../../src/core/trade/labels/labelPages';
import { codeMatrix } from '../../src/print/codeMatrix';
import { labelsPdf } from '../../src/print/labelsPdf';
import { labelsSvg } from '../../src/print/labelsSvg';
import { apply, bench } from '../support/jobs';

const job = apply(bench({ A1: { room: 'Hall', outlet: 'left' }, B2: {} }), {
  type: 'editRuns',
  edits: [{ runId: 'run-A1', changes: { label: 'A<1>&"' } }],
});
const pages = (words: Parameters<typeof readLabelOptions>[0]) => labelPages(job, readLabelOptions(words));

describe('labels on paper', () => {
  it('are drawn in true size, text escaped and fitted', () => {
    const svg = labelsSvg(pages({ kind: 'tape', sheet: 'a4-4x12' }));
    expect(svg).toMatch(/^<svg [^>]*width="210mm" height="297mm" viewBox="0 0 210 297"/);
    expect(svg).toContain('A&lt;1&gt;&amp;&quot;');
    expect(svg.match(/textLength/g)?.length).toBe(6);
    expect(svg).not.toContain('NaN');
  });

  it('can be one page only', () => {
    const tape = pages({ kind: 'tape', sheet: 'tape-12' });
    expect(tape.pages).toHaveLength(4);
    expect(labelsSvg(tape, 1)).toContain('height="12mm"');
    expect(labelsSvg(tape)).toContain('height="63mm"');
  });

  it('carry a code of the address where it is wanted', () => {
    const matrix = codeMatrix('http://127.0.0.1/jobs/x/runs?trace=B2');
    // Finder pattern of the symbol: a dark ring of seven with a dark square of three in it.
    const corner = matrix.slice(0, 7).map((row) => row.slice(0, 7).map(Number).join(''));
    expect(corner).toEqual(['1111111', '1000001', '1011101', '1011101', '1011101', '1000001', '1111111']);
    const coded = labelsSvg(pages({ kind: 'tape', sheet: 'a4-3x8', codeFor: 'http://127.0.0.1/jobs/x/runs?trace=' }));
    expect(coded.match(/<path /g)).toHaveLength(4);
  });

  it('are a PDF with as many pages as sheets, with its own letters', async () => {
    const pdf = Buffer.from(
      await labelsPdf(pages({ kind: 'tape', sheet: 'tape-12' }), 'Labels', process.cwd()),
    ).toString('latin1');
    expect(pdf.startsWith('%PDF-')).toBe(true);
    expect(pdf.match(/\/Type \/Page\b/g)).toHaveLength(4);
    expect(pdf).toContain('JetBrainsMono');
    // 50 × 12 mm in points.
    expect(pdf).toMatch(/MediaBox \[0 0 141\.7\d* 34\.0\d*\]/);
  });
});
