import { STATION_LIST } from '@/core/findings/stations/stations';
import { STATION_VIEWS } from './stations';

/** A view of a station, to go to. `path` is what follows the address of the job. */
export type FoundView = { path: string; words: string; detail: string };

const ALL: readonly (FoundView & { text: string })[] = STATION_LIST.flatMap(({ id, name, about }) =>
  STATION_VIEWS[id].views.map((view, at) => {
    const words = `${name} › ${view.name}`;
    const text = `${words} ${at === 0 ? about : ''}`.toLocaleLowerCase('en');
    return { path: at === 0 ? `/${id}` : `/${id}/${view.id}`, words, detail: at === 0 ? about : '', text };
  }),
);

/** Views of stations that hold every word of the query. */
export function findViews(query: string): FoundView[] {
  const words = query.toLocaleLowerCase('en').split(/\s+/).filter(Boolean);
  return words.length === 0 ? [] : ALL.filter(({ text }) => words.every((word) => text.includes(word)));
}
