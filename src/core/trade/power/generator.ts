import type { Job } from '../../job/document/job';
import { answerOf, figureOf, isAnswered } from '../survey/answers/answers';
import { bridgeMinutes, generatorGapS, generatorKva } from './generatorGap';

export type GeneratorFacts = {
  kind: 'unknown' | 'none' | 'hand' | 'automatic';
  /** Minutes without mains until it carries its circuits; null: there is none, or nobody knows. */
  gapMin: number | null;
  /** What batteries should last to bridge that, margin counted. */
  bridgeMin: number | null;
  kva: number | null;
  regulated: boolean | null;
  unknown: string[];
};

/** What is known of the generator. */
export function generatorFacts(job: Job): GeneratorFacts {
  const kind = answerOf(job, 'generator') as GeneratorFacts['kind'];
  const there = kind === 'hand' || kind === 'automatic';
  const start = {
    delayS: figureOf(job, 'generator-delay'),
    attempts: figureOf(job, 'generator-attempts'),
    warmS: figureOf(job, 'generator-warm'),
    transferS: figureOf(job, 'generator-transfer'),
  };
  // By hand, with the delay of one that starts by itself, nobody said how long it takes.
  const said = kind !== 'hand' || isAnswered(job, 'generator-delay');
  const gapS = there && said ? generatorGapS(start) : null;
  const kva = figureOf(job, 'generator-kva');
  const regulated = answerOf(job, 'generator-regulated');
  return {
    kind,
    gapMin: gapS === null ? null : gapS / 60,
    bridgeMin: gapS === null ? null : bridgeMinutes(gapS),
    kva: kva > 0 ? kva : null,
    regulated: regulated === 'unknown' ? null : regulated === 'yes',
    unknown: [
      ...(kind === 'unknown' ? ['whether there is a generator'] : []),
      ...(there && !said ? ['how long it takes to start it by hand'] : []),
      ...(there && kva === 0 ? ['the size of the generator'] : []),
    ],
  };
}

/** kVA that a generator should have for these battery units. */
export const wantedKva = (unitsVa: number, corrected: boolean): number => generatorKva(unitsVa / 1000, corrected);
