import type { BuildStep } from './buildStep';

/** The caution beside a step that not everybody can do alone. The local code decides what an electrician must do. */
export const WHO_CAUTIONS: Record<BuildStep['who'], string | null> = {
  one: null,
  two: 'Lift this with two people.',
  electrician: 'Work for a licensed electrician, according to local code. Do not do this yourself.',
};

/** Shown instead of the list when no step is open. @param planned number of steps in the whole plan */
export const noStepsWords = (planned: number): string =>
  planned === 0 ? 'Nothing to do: the cabinet already matches the plan.' : 'All steps are done.';
