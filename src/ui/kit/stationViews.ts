import type { ComponentType, ReactNode } from 'react';

/** A view of a station: its address, what it is called, and its screen, fetched when it is wanted. */
export type View = { id: string; name: string; load: () => Promise<ComponentType> };
export type KeyRow = [keys: string, words: string];
/** What is around the views of a station, and says which of them can be shown yet. */
export type Frame = ComponentType<{ view: string; children: ReactNode }>;

/** What a station shows, and the keys that work there. */
export type StationViews = {
  /** What its part of the screen is called. */
  label: string;
  /** The first one has the station's own address. */
  views: readonly View[];
  keys: readonly KeyRow[];
  frame?: () => Promise<Frame>;
};
