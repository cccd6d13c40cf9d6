import { describe, expect, it } from 'vitest';
import { apply, bench } from '../../../../tests/support/jobs';
import { type QUESTIONS, questionOf } from '../../job/records/questions';
import { cableKindsOf } from '../../trade/runs/cableKinds';
import { conduitShare } from '../../trade/runs/pathways/fill';
import { answerOf, figureOf, questionsFor } from '../../trade/survey/answers/answers';
import { moneyOf } from '../../trade/survey/answers/money';
import { cautionsFor } from '../../trade/survey/cautions';
import { conduitsOf } from './conduits';
import { FIRE_CLASSES, RULE_SETS, type RuleSetId, reactsAsWell, ruleSets } from './ruleSets';

const job = (rules: RuleSetId) => {
  const made = apply(bench({ 1: {} }), { type: 'editJob', changes: { rules } });
  return { ...made, answers: {} };
};

describe('the rules of a region', () => {
  it('are kept by the id that they have, and every question that they answer is asked', () => {
    for (const id of RULE_SETS) {
      expect(ruleSets[id].id).toBe(id);
      for (const [question, { value }] of Object.entries(ruleSets[id].answers)) {
        const asked = questionOf(question as keyof typeof QUESTIONS);
        if (asked.kind === 'choice') expect(asked.options.map((one) => one.value)).toContain(value);
        else if (asked.kind === 'words') expect(asked.check?.(value) ?? null).toBeNull();
        else expect(Number(value)).toBeGreaterThanOrEqual(asked.least);
      }
    }
  });

  // NEMA 5-15, CEE 7, BS 1363, AS/NZS 3112; ANSI C84.1 and EN 50160.
  it.each<[RuleSetId, string, number]>([
    ['north-america', '120', 15],
    ['europe', '230', 16],
    ['united-kingdom', '230', 13],
    ['australia-new-zealand', '230', 10],
    ['other', 'unknown', 10],
  ])('mains of %s: %s V on a plug of %d A', (rules, volts, amps) => {
    expect(answerOf(job(rules), 'mains-volts')).toBe(volts);
    expect(figureOf(job(rules), 'mains-amps')).toBe(amps);
  });

  it('outlets stand at 450 mm, and controls at 1200 at most, in the United Kingdom (Approved Document M, from memory)', () => {
    const heights = (rules: RuleSetId) => [figureOf(job(rules), 'height-low'), figureOf(job(rules), 'height-desk')];
    expect(heights('united-kingdom')).toEqual([450, 1200]);
    expect(heights('europe')).toEqual([300, 1400]);
  });

  it('conduit is of the trade sizes of NFPA 70 there, and of IEC 60423 elsewhere', () => {
    expect(conduitsOf('north-america').every((one) => one.family === 'EMT' || one.family === 'ENT')).toBe(true);
    const trades = ['16', '20', '25', '32', '40', '50'];
    expect(conduitsOf('europe').map((one) => one.trade)).toEqual([...trades, ...trades]);
    // Homes are piped in pliable conduit, whose inside is narrower than that of rigid conduit of the same size.
    const [pliable, rigid] = [conduitsOf('europe').slice(0, 6), conduitsOf('europe').slice(6)];
    for (const [at, one] of pliable.entries()) expect(one.insideMm).toBeLessThan(rigid[at]?.insideMm ?? 0);
    for (const { insideMm, designator } of conduitsOf('europe')) expect(insideMm).toBeLessThan(designator);
    expect(conduitShare(1, 500, 'code table').share).toBe(0.6);
    expect([1, 2, 3].map((count) => conduitShare(count, 500, 'planned share').share)).toEqual([0.4, 0.4, 0.4]);
  });

  it('jackets are listed in North America and classed by reaction to fire in Europe', () => {
    const names = (rules: RuleSetId) => cableKindsOf(job(rules)).map((kind) => kind.name);
    expect(names('north-america')).toContain('Cat 6 U/UTP plenum');
    expect(names('north-america')).not.toContain('Cat 6 U/UTP Cca');
    expect(names('europe')).toContain('Cat 6 U/UTP Cca');
    expect(names('europe')).not.toContain('Cat 6 U/UTP plenum');
    expect(questionsFor(job('europe'))).toContain('fire-class');
    expect(questionsFor(job('north-america'))).not.toContain('fire-class');
    // EN 50575: B2ca > Cca > Dca > Eca > Fca.
    expect(FIRE_CLASSES.map((one) => reactsAsWell(one, 'Dca'))).toEqual([true, true, true, false, false]);
  });

  it('no caution outside North America cites its code, and each says what holds there', () => {
    for (const rules of RULE_SETS) {
      const cautions = cautionsFor(job(rules));
      const cited = cautions.map((one) => `${one.words} ${one.source?.title ?? ''}`).join('\n');
      expect(/NFPA|plenum/.test(cited)).toBe(rules === 'north-america');
      expect(/registered cabler/.test(cited)).toBe(rules === 'australia-new-zealand');
      expect(cautions.find((one) => one.id === 'mains')?.words).toMatch(/electrician/);
    }
  });

  it('money is written in the currency and the way of the region, until another is named', () => {
    const money = RULE_SETS.map((rules) => moneyOf(job(rules), 1141.9));
    expect(money).toEqual(['$1,141.90', '€1,141.90', '£1,141.90', '$1,141.90', '1,141.90']);
  });
});
