import { describe, expect, it } from 'vitest';
import { apply, bench, marrowby, surveyed } from '../../../../tests/support/jobs';
import { stationOf, stationStates } from '../../findings/stations/stations';
import type { Job } from '../../job/document/job';
import { indexJob } from '../../job/document/jobIndex';
import { Pathway } from '../../job/records/pathway';
import { QUESTION_IDS, questionOf } from '../../job/records/questions';
import { adviceFor, chooseCommands } from './advice/advisers';
import { answerCommand } from './answers/answers';
import { surveyProgress } from './answers/progress';
import { openByItself } from './openPoints';

const says = (job: Job, words: RegExp) => openByItself(job).some((line) => words.test(line));

/** Every question of safety or place answered with its first option. */
const answeredAll = (job: Job): Job =>
  QUESTION_IDS.reduce((so, id) => {
    const question = questionOf(id);
    return question.kind === 'choice' ? apply(so, answerCommand(so, id, question.options[0]?.value ?? '')) : so;
  }, job);

describe('open points that the job shows by itself', () => {
  it('are runs and wishes of later, by label and by room', () => {
    const later = bench({ 1: { scope: 'later' }, 2: { scope: 'later' }, 3: {} });
    expect(openByItself(later)).toContain('Later: 2 runs (1, 2).');
    expect(says(surveyed(), /^Later: 1 access point in Kennels\.$/)).toBe(true);
    expect(says(surveyed(), /when the lease is renewed/)).toBe(true);
  });

  it('name the first few of many', () => {
    const many = bench(
      Object.fromEntries(Array.from({ length: 12 }, (_, at) => [`L${at}`, { scope: 'later' as const }])),
    );
    expect(openByItself(many)[0]).toMatch(/^Later: 12 runs \(L0, L1, .* …\)\.$/);
  });

  it('are ways kept for others, and what the survey says must stay free', () => {
    const way = Pathway.parse({
      id: 'p',
      name: 'Spare duct',
      kind: 'conduit',
      widthMm: 20,
      lengthMm: 900,
      reservedFor: 'the alarm',
    });
    const kept = apply(bench(), { type: 'keepRows', rows: [{ table: 'pathways', record: way }] });
    expect(openByItself(kept)).toContain('Spare duct is kept for the alarm.');
    expect(says(surveyed(), /^Kept free: the second ceiling entry/)).toBe(true);
  });

  it('are decisions and questions of safety, until they are made and answered', () => {
    let job = surveyed();
    expect(says(job, /^Not decided: /)).toBe(true);
    for (const advice of adviceFor(job)) job = apply(job, ...chooseCommands(job, advice, advice.suggested ?? ''));
    expect(says(job, /^Not decided: /)).toBe(false);
    expect(says(bench(), /questions about safety not answered/)).toBe(true);
    expect(says(answeredAll(bench()), /about safety not answered/)).toBe(false);
  });

  it('are cables that nobody traced', () => {
    expect(says(marrowby(), /^15 cables not traced yet\.$/)).toBe(true);
    const [run] = Object.values(marrowby().runs);
    const traced = apply(marrowby(), {
      type: 'editRuns',
      edits: [{ runId: run?.id ?? '', changes: { room: 'Study' } }],
    });
    expect(says(traced, /^14 cables not traced yet\.$/)).toBe(true);
  });
});

describe('the survey as a station', () => {
  const state = (job: Job) => stationStates(job).find((one) => one.id === 'survey');

  it('is untouched, under way, and settled or with snags when all is answered and a room is drawn', () => {
    const blank = { ...bench(), answers: {} };
    expect(state(blank)?.state).toBe('untouched');
    const some = apply(blank, answerCommand(blank, 'damp', 'no'));
    expect(state(some)).toMatchObject({ state: 'under way', done: 1 });
    const all = answeredAll(blank);
    const [done, of] = surveyProgress(all);
    expect(of - done).toBe(1);
    const drawn = apply(all, {
      type: 'keepRows',
      rows: [
        { table: 'floors', record: { id: 'f', name: 'F', level: 0, heightMm: 2500, slabMm: 300, route: 'overhead' } },
        {
          table: 'rooms',
          record: { id: 'r', floorId: 'f', name: 'R', xMm: 0, yMm: 0, widthMm: 3000, depthMm: 3000, code: '' },
        },
      ],
    });
    expect(surveyProgress(drawn)).toEqual([of, of]);
    // Some answers are that nobody knows: what hangs on them is not judged.
    expect(['settled', 'snags', 'not judged']).toContain(state(drawn)?.state);
  });

  it('figures are numbers that the views show too', () => {
    const figures = new Map(
      stationOf('survey')
        .figures(indexJob(surveyed()))
        .map((one) => [one.name, one.value]),
    );
    expect(figures.get('Rooms on the plan')).toBe('13');
    expect(figures.get('Wishes')).toBe('4');
    expect(figures.get('Runs not taken over yet')).toBe('8');
    expect(Number(figures.get('Open points'))).toBeGreaterThan(3);
  });
});
