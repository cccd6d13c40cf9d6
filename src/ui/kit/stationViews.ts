export type View = { id: string; name: string; note?: string };
export type KeyRow = [keys: string, words: string];

/** What a station shows, and the keys that work there. */
export type StationViews = {
  /** The first one has the station's own address. */
  views: readonly View[];
  keys: readonly KeyRow[];
};
