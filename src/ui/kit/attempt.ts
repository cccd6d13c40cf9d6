import { Refusal } from '@/core/base/text/refusal';

/** Work that may be refused: its value, or the words of the refusal. */
export function attempt<T>(work: () => T): { value: T; words: null } | { value: null; words: string } {
  try {
    return { value: work(), words: null };
  } catch (fault) {
    if (fault instanceof Refusal) return { value: null, words: fault.message };
    throw fault;
  }
}
