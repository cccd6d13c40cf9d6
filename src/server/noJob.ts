import { refuse } from '../core/base/text/refusal';

export const noJob = (): never => refuse('no-job', 'There is no such job. It may have been removed.');
