import { describe, expect, it } from 'vitest';
import { apply, bench, quillback } from '../../../../tests/support/jobs';
import { clashes } from '../../job/document/verify';
import { CableKind } from '../../job/records/cableKind';
import { Gear } from '../../job/records/gear';
import { Tester } from '../../job/records/tester';
import { deriveSteps } from '../../trade/build/deriveSteps';
import { answerCommand, figureOf } from '../../trade/survey/answers/answers';
import { planJob } from '../../trade/wholeJob/planJob';
import { firmsNews, ownGear, withFirmsOwn } from './firmsOwn';
import { copyOfJob } from './partOfJob';

const kind = (fields: Partial<CableKind>) => CableKind.parse({ id: 'kind', name: 'Own', diameterMm: 6, ...fields });
const wordsOf = (...given: Parameters<typeof firmsNews>) => firmsNews(...given).map(({ words }) => words);

describe('what a firm works by', () => {
  const pattern = [
    answerCommand(quillback(), 'cost-hour', '85'),
    answerCommand(quillback(), 'minutes-land', '14'),
    answerCommand(quillback(), 'firm-words', 'We answer within two hours.'),
    answerCommand(quillback(), 'room-c', '31'),
  ].reduce((job, command) => apply(job, command), quillback());

  it('is offered with each difference in words, and once it is taken over there are no news', () => {
    const job = bench();
    const news = firmsNews(job, pattern);
    expect(news.map(({ words }) => words)).toContain('Prices and minutes');
    expect(news.flatMap(({ lines }) => lines)).toContain('An hour of work: 60 → 85');
    const then = withFirmsOwn(job, pattern);
    expect(firmsNews(then, pattern)).toEqual([]);
    expect(figureOf(then, 'cost-hour')).toBe(85);
    // How warm a room is is no way of working.
    expect(figureOf(then, 'room-c')).toBe(22);
    expect(clashes(then)).toEqual([]);
  });

  it('goes along with a cabinet that is copied, and what is of one building does not', () => {
    const copy = copyOfJob(pattern, { id: 'copy', name: 'Copy', whole: false });
    expect(Object.keys(copy.answers)).toContain('firm-words');
    expect(Object.keys(copy.answers)).not.toContain('room-c');
    expect(firmsNews(copy, pattern)).toEqual([]);
  });

  it('knows the same thing by its name, and another thing under the same id as another', () => {
    const job = { ...bench(), cableKinds: { kind: kind({ name: 'Their own' }), b: kind({ id: 'b', diameterMm: 7 }) } };
    const then = withFirmsOwn(job, {
      ...bench(),
      cableKinds: { kind: kind({}), other: kind({ id: 'other', name: 'Thin' }) },
    });
    expect(then.cableKinds).toMatchObject({ kind: { name: 'Their own' }, b: { name: 'Own', diameterMm: 6 } });
    const taken = withFirmsOwn(
      { ...bench(), cableKinds: { kind: kind({ name: 'Theirs' }) } },
      { ...bench(), cableKinds: { kind: kind({}) } },
    );
    expect(Object.values(taken.cableKinds).map(({ name }) => name)).toEqual(['Theirs', 'Own']);
  });

  it('takes nothing away that the job knows and the pattern does not', () => {
    const tester = (fields: Partial<Tester>) => ({ t: Tester.parse({ id: 't', name: 'Meter', ...fields }) });
    const known = { ...bench(), testers: tester({ calibratedOn: '2026-03-01', serial: 'Q 7' }) };
    expect(wordsOf(known, { ...bench(), testers: tester({}) })).toEqual([]);
    expect(wordsOf(known, { ...bench(), testers: tester({ lengths: true }) })).toEqual(['Testers']);
  });

  it('holds prices and figures of like gear, however many of it there are, and not what others hang on', () => {
    const shelf = (id: string, name: string, fields = {}) =>
      Gear.parse({ id, name, kind: 'shelf', heightU: 1, depthMm: 300, ...fields });
    const job = { ...bench(), gear: { a: shelf('a', 'Shelf'), b: shelf('b', 'Shelf (2)', { massKg: 3 }) } };
    const dear = { ...bench(), gear: { x: shelf('x', 'Shelf', { priceMinor: 4200, heightU: 2 }) } };
    const then = withFirmsOwn(job, dear);
    expect(then.gear).toMatchObject({
      a: { priceMinor: 4200, heightU: 1 },
      b: { priceMinor: 4200, massKg: 3, name: 'Shelf (2)' },
    });
    expect(ownGear({ ...bench(), gear: then.gear }).map(({ name }) => name)).toEqual(['Shelf']);
  });

  it('takes no day of one battery for that of another', () => {
    const unit = (id: string, battery: object) =>
      Gear.parse({ id, name: 'Unit', kind: 'ups', heightU: 2, depthMm: 400, notes: 'behind the door', battery });
    const blocks = (blockAh: number, madeOn: string | null) => ({
      chemistry: 'vrla',
      blocks: 2,
      blockV: 12,
      blockAh,
      madeOn,
    });
    const theirs = { ...bench(), gear: { x: unit('x', blocks(9, '2020-02-01')) } };
    const job = { ...bench(), gear: { a: unit('a', blocks(7, '2026-05-01')) } };
    expect(withFirmsOwn(job, theirs).gear).toMatchObject({ a: { battery: { blockAh: 9, madeOn: '2026-05-01' } } });
    const unknown = { ...bench(), gear: { a: unit('a', blocks(7, null)) } };
    expect(withFirmsOwn(unknown, theirs).gear).toMatchObject({ a: { battery: { blockAh: 9, madeOn: null } } });
    expect(ownGear(theirs)).toMatchObject([{ notes: '', battery: { blockAh: 9, madeOn: null } }]);
  });

  it('starts a job all the same where a part of it cannot be taken over', () => {
    const many = Object.fromEntries(
      Array.from({ length: 101 }, (_, at) => [`t${at}`, Tester.parse({ id: `t${at}`, name: `Meter ${at}` })]),
    );
    const then = withFirmsOwn(bench(), { ...pattern, testers: many });
    expect(then.testers).toEqual({});
    expect(figureOf(then, 'cost-hour')).toBe(85);
  });

  it('says how long the steps of a build take', () => {
    const minutesOf = (job: typeof pattern) =>
      deriveSteps(null, planJob(job).job)
        .filter((step) => step.kind === 'land')
        .reduce((sum, { putMin }) => sum + putMin, 0);
    const usual = minutesOf(quillback());
    expect(usual).toBeGreaterThan(0);
    // 14 minutes where 10 are usual.
    expect(minutesOf(pattern)).toBeCloseTo(usual * 1.4, 6);
  });
});
