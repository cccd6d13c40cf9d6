import type { Change } from '../../job/document/change';

export const STEP_KINDS = [
  'records',
  'circuit',
  'rack-in',
  'rack-out',
  'pull',
  'gear',
  'land',
  'link',
  'plug',
  'cord',
  'outlet',
  'test',
] as const;
export type StepKind = (typeof STEP_KINDS)[number];

/** Whether it was not there and comes, was there and goes, or changes its place. */
export type Turn = 'in' | 'out' | 'move';

export type BuildStep = {
  /** The same whenever the plan is made anew. */
  id: string;
  kind: StepKind;
  turn: Turn;
  /** What is to be done, in words of the trade. */
  words: string;
  /** Where one stands for it. */
  at: 'cabinet' | 'room' | 'desk';
  place: string;
  from: string;
  to: string;
  parts: readonly string[];
  tools: readonly string[];
  /** Of the first of its kind, by one person. */
  takeMin: number;
  putMin: number;
  /** Like steps get faster together. */
  pace: string;
  who: 'one' | 'two' | 'electrician';
  /** What can hurt someone in it, said where it is done; empty: nothing of its own. */
  caution: string;
  /** Devices, runs and cords that it is about. */
  gearId: string | null;
  runId: string | null;
  cordId: string | null;
  /** What was there is photographed before it is touched. */
  photograph: boolean;
  /** Differences between today and the plan that it makes. */
  changes: readonly Change[];
  /** Steps whose things must be off before it is taken out. */
  clearOf: readonly string[];
  /** Steps that must be done before it is taken out, and before it is put in. */
  takeNeeds: readonly string[];
  putNeeds: readonly string[];
  /** Steps whose things must be out of the way before it is put in. */
  blockedBy: readonly string[];
  canPark: boolean;
  /** Services that are down while it is done, whatever the order: a run in service is unplugged for its test. */
  darkens?: readonly { service: string; share: number; weight: number }[];
  /** Steps with the same go together: runs from one panel to another, and their cords. */
  together?: string;
};
