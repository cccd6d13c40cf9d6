import { describe, expect, it } from 'vitest';
import { apply, bench } from '../../../../tests/support/jobs';
import type { Job } from '../../job/document/job';
import { Pathway } from '../../job/records/pathway';
import type { QuestionId } from '../../job/records/questions';
import { answerCommand } from './answers/answers';
import { cautionsFor } from './cautions';

const said = (job: Job) => cautionsFor(job).map((one) => one.id);
const one = bench({ 1: { cable: 'Cat 6' }, 2: { carries: 'fibre', cable: 'OM3 duplex LC' } });
const answered = (id: QuestionId, value: string) => apply(one, answerCommand(one, id, value));
const laid = (fields: object, runId = 'run-1') =>
  apply(one, {
    type: 'keepRows',
    rows: [
      {
        table: 'pathways',
        record: Pathway.parse({ id: 'p', name: 'Way', kind: 'conduit', widthMm: 20, lengthMm: 3000, ...fields }),
      },
      { table: 'passages', record: { id: 'x', pathwayId: 'p', runId } },
    ],
  });

/** A question of safety, the answer that makes it quiet, and what is said with any other. */
const QUIET: [question: QuestionId, quiet: string, caution: string][] = [
  ['built-before-2000', 'no', 'old-boards'],
  ['air-space', 'no', 'air-space'],
  ['fire-walls', 'no', 'fire-walls'],
  ['wall-kind', 'studs', 'wall'],
  ['damp', 'no', 'damp'],
];

describe('cautions', () => {
  it.each(QUIET)('%s: only “%s” makes it quiet, not knowing does not', (question, quiet, caution) => {
    expect(said(answered(question, quiet))).not.toContain(caution);
    expect(said(answered(question, question === 'wall-kind' ? 'masonry' : 'yes'))).toContain(caution);
    expect(said(answered(question, 'unknown'))).toContain(caution);
  });

  it('always say that mains is work for an electrician', () => {
    expect(said(bench())).toContain('mains');
    expect(cautionsFor(bench()).find((caution) => caution.id === 'mains')?.words).toContain('licensed electrician');
  });

  it('of drilling and ladders come with cable to pull, and not with found cable', () => {
    expect(said(one)).toEqual(expect.arrayContaining(['drilling', 'ladder']));
    const found = bench({ 1: { origin: 'found' } });
    expect(said(found)).not.toContain('drilling');
    expect(said(bench({ 1: { scope: 'later' } }))).not.toContain('ladder');
  });

  it.each([
    [{ mainsMm: 80 }, 'mains-near'],
    [{ kind: 'conduit' }, 'fish-tape'],
    [{ surroundings: 'outdoor' }, 'outdoor'],
    [{ surroundings: 'buried' }, 'outdoor'],
  ])('a pathway with %j brings %s', (fields, caution) => {
    expect(said(laid(fields))).toContain(caution);
    expect(said(one)).not.toContain(caution);
  });

  it('of fibre come with any fibre, in a pathway or not, and with an internet over it; of aerials with a cellular internet', () => {
    expect(said(laid({}, 'run-2'))).toContain('fibre');
    expect(said(laid({}))).toContain('fibre');
    expect(said(answered('internet-in', 'fibre'))).toContain('fibre');
    expect(said(apply(bench(), answerCommand(bench(), 'internet-in', 'cable')))).not.toContain('fibre');
    expect(said(answered('internet-in', 'cellular'))).toContain('aerial');
    expect(said(answered('internet-in', 'fibre'))).not.toContain('aerial');
  });

  it('defer to local code and licensed practice where a rule of law is touched', () => {
    for (const { id, words } of cautionsFor(laid({ mainsMm: 10, surroundings: 'outdoor' })))
      if (['drilling', 'air-space', 'fire-walls', 'mains-near', 'outdoor'].includes(id))
        expect(words).toContain('Local code and licensed practice come first.');
  });
});
