import { useEffect, useState } from 'react';
import { STATIONS, type StationId } from '@/core/job/records/stationIds';
import { loadedStation, loadStation } from './loadStation';

/** Once what was asked for is drawn and nothing else is to be done, but not for ever later. */
function afterwards(work: () => void): void {
  setTimeout(() => {
    if (window.requestIdleCallback) window.requestIdleCallback(work, { timeout: 2000 });
    else work();
  }, 1500);
}

/** The screen of a station. The others are fetched right behind it, so that they are there without a network. */
export function StationScreen({ station }: { station: StationId }) {
  const [, setLoaded] = useState(0);
  const [wrong, setWrong] = useState(false);
  useEffect(() => {
    let here = true;
    const fetchIt = () => {
      setWrong(false);
      loadStation(station).then(
        () => {
          if (here) setLoaded((count) => count + 1);
          afterwards(async () => {
            for (const id of STATIONS) await loadStation(id).catch(() => undefined);
          });
        },
        () => here && setWrong(true),
      );
    };
    fetchIt();
    window.addEventListener('online', fetchIt);
    return () => {
      here = false;
      window.removeEventListener('online', fetchIt);
    };
  }, [station]);
  const Screen = loadedStation(station);
  if (Screen) return <Screen />;
  return (
    <p className="p-6 text-soft" role="status">
      {wrong
        ? 'This station could not be fetched: there is no way to the server. What you did is kept; the other stations go on.'
        : 'Opening …'}
    </p>
  );
}
