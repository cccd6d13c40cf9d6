import type { ComponentType } from 'react';
import { STATIONS, type StationId } from '@/core/job/records/stationIds';
import type { Frame, View } from '../kit/stationViews';
import { STATION_VIEWS } from './stations';

const screens = new Map<View, ComponentType>();
const frames = new Map<StationId, Frame>();

/** The view of a station that an address names; its first where it names none that is there. */
export function viewOf(station: StationId, view: string | null): View {
  const { views } = STATION_VIEWS[station];
  const found = views.find(({ id }) => id === view) ?? views[0];
  if (!found) throw new RangeError(`${station} has no view`);
  return found;
}

/** The screen of a view, and what is around it where it has that, as far as they are here. */
export const loadedView = (station: StationId, view: View): { Screen: ComponentType | null; Around: Frame | null } => {
  const Around = frames.get(station) ?? null;
  const isWhole = Around !== null || !STATION_VIEWS[station].frame;
  return { Screen: isWhole ? (screens.get(view) ?? null) : null, Around };
};

/** Fetch a view of a station. */
export async function loadView(station: StationId, view: View): Promise<void> {
  const { frame } = STATION_VIEWS[station];
  const [screen, around] = await Promise.all([
    screens.get(view) ?? view.load(),
    frame ? (frames.get(station) ?? frame()) : null,
  ]);
  screens.set(view, screen);
  if (around) frames.set(station, around);
}

/** Fetch all views of all stations, one behind the other. What cannot be fetched now is when it is shown. */
export async function loadAllViews(): Promise<void> {
  for (const station of STATIONS)
    for (const view of STATION_VIEWS[station].views) await loadView(station, view).catch(() => undefined);
}
