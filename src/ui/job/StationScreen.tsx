import { type ComponentType, useEffect, useState } from 'react';
import { STATIONS, type StationId } from '@/core/job/stationIds';
import { STATION_VIEWS } from './stations';

const loaded = new Map<StationId, ComponentType>();

async function loadStation(id: StationId): Promise<void> {
  if (!loaded.has(id)) loaded.set(id, await STATION_VIEWS[id].load());
}

/** The screen of a station. The others are fetched while nothing else is to be done, and are there without a network. */
export function StationScreen({ station }: { station: StationId }) {
  const [, setLoaded] = useState(0);
  const [wrong, setWrong] = useState(false);
  useEffect(() => {
    let here = true;
    setWrong(false);
    loadStation(station).then(
      () => {
        if (!here) return;
        setLoaded((count) => count + 1);
        const rest = async () => {
          for (const id of STATIONS) await loadStation(id).catch(() => undefined);
        };
        if (window.requestIdleCallback) window.requestIdleCallback(() => void rest());
        else setTimeout(() => void rest(), 1000);
      },
      () => here && setWrong(true),
    );
    return () => {
      here = false;
    };
  }, [station]);
  const Screen = loaded.get(station);
  if (Screen) return <Screen />;
  return (
    <p className="p-6 text-soft" role="status">
      {wrong
        ? 'This station could not be fetched: there is no way to the server. What you did is kept; the other stations go on.'
        : 'Opening …'}
    </p>
  );
}
