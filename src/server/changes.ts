import { EventEmitter } from 'node:events';

// On the global object, since routes may be bundled apart.
const home = globalThis as typeof globalThis & { goodShelfChanges?: EventEmitter };
home.goodShelfChanges ??= new EventEmitter().setMaxListeners(0);
const emitter = home.goodShelfChanges;

/** Tell all open windows of a job that it has a new revision. */
export const announce = (jobId: string, revision: number): boolean => emitter.emit(jobId, revision);

/** Hear of new revisions of a job. @returns the function that stops listening */
export function listen(jobId: string, hear: (revision: number) => void): () => void {
  emitter.on(jobId, hear);
  return () => emitter.off(jobId, hear);
}
