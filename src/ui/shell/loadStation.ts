import type { ComponentType } from 'react';
import type { StationId } from '@/core/job/records/stationIds';
import { STATION_VIEWS } from './stations';

const loaded = new Map<StationId, ComponentType>();

/** The screen of a station, where it is there already. */
export const loadedStation = (id: StationId): ComponentType | undefined => loaded.get(id);

export async function loadStation(id: StationId): Promise<void> {
  if (!loaded.has(id)) loaded.set(id, await STATION_VIEWS[id].load());
}
