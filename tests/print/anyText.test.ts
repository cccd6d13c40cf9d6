import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { TAKEAWAYS, takeawayFileName } from '../../src/core/exchange/formats/takeaways';
import { planJob } from '../../src/core/trade/wholeJob/planJob';
import { makeTakeaway } from '../../src/print/makeTakeaway';
import { lineWidth, openPdf } from '../../src/print/pdf';
import { apply, bench } from '../support/jobs';

const root = process.cwd();
/** Pairs that the label face joins into one sign, and text that is hard for other reasons. */
const HARD = [
  '->',
  '--',
  '..',
  '//',
  '::',
  '&&',
  '??',
  '=>',
  '<!--',
  '|>',
  '\uffff',
  '\ufffe',
  'é',
  'e\u0301',
  'D\u0323',
  'B\u0323b',
  'שלום',
  '日本',
  '👩‍🔧',
  '\u200b',
  '<&"\'>',
  '𝔘',
];

const anyText = fc
  .array(fc.oneof(fc.constantFrom(...HARD), fc.string({ unit: 'grapheme', maxLength: 6 })), {
    minLength: 1,
    maxLength: 4,
  })
  .map((parts) => parts.join(''))
  .filter((text) => /^[^\p{Cc}\p{Cs}]+$/u.test(text) && text.trim() !== '' && text.length <= 40);

/** A job with a run for each text, which stands in every field of it; the first also names panel, rack and job. */
function jobOf(texts: string[]) {
  const [name = ''] = texts;
  const fields = texts.map((text, at) => [
    String(at),
    { room: text, outlet: text, device: text, cable: text, network: text, bundle: text, notes: text },
  ]);
  const job = apply(
    bench(Object.fromEntries(fields)),
    {
      type: 'editRuns',
      edits: texts.map((text, at) => ({ runId: `run-${at}`, changes: { label: `${text}${at}` } })),
    },
    { type: 'editGear', gearId: 'panel', changes: { name } },
    { type: 'editRack', rackId: 'rack', changes: { name } },
    { type: 'editJob', changes: { name } },
  );
  return planJob(job).job;
}

const DRAWN: ReadonlySet<string> = new Set(['elevation.png', 'pack.pdf', 'door.pdf', 'build.pdf']);

describe('whatever stands in a job, it can be taken away', () => {
  const names = fc.oneof(fc.constantFrom(...HARD), anyText);
  it.each(TAKEAWAYS.map(({ id }) => id))('%s', async (id) => {
    // What holds pictures takes long: hard texts many at a time.
    const many = DRAWN.has(id) ? 12 : 1;
    for (let at = 0; at < HARD.length; at += many)
      expect((await makeTakeaway(id, jobOf(HARD.slice(at, at + many)), { root })).length).toBeGreaterThan(0);
    const texts = fc.array(names, { minLength: 1, maxLength: 12 });
    await fc.assert(
      fc.asyncProperty(texts, async (all) => {
        expect((await makeTakeaway(id, jobOf(all), { root })).length).toBeGreaterThan(0);
      }),
      { numRuns: DRAWN.has(id) ? 4 : 20 },
    );
  });
});

it('any letter with any two marks on it can be set', () => {
  const { document } = openPdf('Marks', root);
  document.font('plain').fontSize(3);
  const marks = Array.from({ length: 0x70 }, (_, at) => String.fromCodePoint(0x300 + at));
  const words = ['B', 'D', 'x', 'i'].flatMap((letter) =>
    marks.flatMap((mark) => ['', ...marks].map((second) => `${letter}${mark}${second}b`)),
  );
  expect(words.filter((word) => !(lineWidth(document, word) > 0))).toEqual([]);
});

describe('the name of a file', () => {
  it.each([
    ['Café Nord', 'cafe-nord-runs.csv'],
    ['Große Straße 4', 'grosse-strasse-4-runs.csv'],
    ['../../etc', 'etc-runs.csv'],
    ['診療所', 'job-runs.csv'],
  ])('of %s is %s', (name, file) => expect(takeawayFileName(name, 'runs.csv')).toBe(file));
});
