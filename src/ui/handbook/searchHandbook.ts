import type { Entry } from '@/core/findings/handbook/entry';
import { HANDBOOK } from '@/core/findings/handbook/handbook';

/** Entries that hold every word of the query; all of them for none. */
export function searchHandbook(query: string): Entry[] {
  const words = query.toLowerCase().split(/\s+/).filter(Boolean);
  return HANDBOOK.filter((entry) => {
    const text = [entry.id, entry.group, entry.tells, ...entry.inputs.map((input) => input.words), entry.source.title]
      .join(' ')
      .toLowerCase();
    return words.every((word) => text.includes(word));
  });
}
