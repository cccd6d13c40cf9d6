import type { Reads } from '../../job/document/reads';

/** What the figures of pathways are worked out of, for the rules that judge them. */
export const PATHWAY_READS = {
  runs: ['id', 'label', 'carries', 'cable'],
  answers: true,
  cableKinds: true,
  pathways: true,
  passages: true,
  units: true,
} as const satisfies Reads;

/** Of runs what their limits of length rest on: the run, its ends, and what warms it. */
export const RUN_LIMIT_READS = [
  'id',
  'label',
  'floor',
  'room',
  'outlet',
  'carries',
  'cable',
  'lengthMm',
  'entry',
  'speedMbps',
  'scope',
  'device',
  'poeW',
  'poeClass',
] as const satisfies Reads['runs'];
