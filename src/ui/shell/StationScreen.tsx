import { useEffect, useState } from 'react';
import type { StationId } from '@/core/job/records/stationIds';
import { useJobPath } from '../kit/jobPath';
import { afterwards, fetchLater } from '../kit/later';
import { ViewGuard } from '../kit/ViewGuard';
import { ViewTabs } from '../kit/ViewTabs';
import { sayDrawn, sayOnceDrawn, screenDrawn } from '../session/screenDrawn';
import { loadAllViews, loadedView, loadView, viewOf } from './loadView';
import { STATION_VIEWS } from './stations';

/** The screen of a station. All others are fetched right behind it, so that they are there without a network. */
export function StationScreen({ station }: { station: StationId }) {
  const { view: named } = useJobPath();
  const view = viewOf(station, named);
  const [, setLoaded] = useState(0);
  const [wrong, setWrong] = useState(false);
  useEffect(() => {
    let here = true;
    const fetchIt = () => {
      setWrong(false);
      loadView(station, view).then(
        () => {
          if (here) setLoaded((count) => count + 1);
          void screenDrawn.then(() => afterwards(() => void loadAllViews().then(fetchLater)));
        },
        () => {
          if (here) setWrong(true);
          sayDrawn();
        },
      );
    };
    fetchIt();
    window.addEventListener('online', fetchIt);
    return () => {
      here = false;
      window.removeEventListener('online', fetchIt);
    };
  }, [station, view]);
  const { label, views } = STATION_VIEWS[station];
  const { Screen, Around } = loadedView(station, view);
  const isThere = Screen !== null;
  useEffect(() => {
    if (isThere) sayOnceDrawn();
  }, [isThere]);
  const shown = Screen ? (
    <ViewGuard key={view.id}>
      <Screen />
    </ViewGuard>
  ) : (
    <p className="p-6 text-soft" role="status">
      {wrong
        ? 'This view could not be fetched: there is no way to the server. What you did is kept; the other views go on.'
        : 'Opening …'}
    </p>
  );
  return (
    <section aria-label={label} className="relative flex min-h-0 flex-1 flex-col">
      <ViewTabs station={station} views={views} now={view.id} />
      {Around ? <Around view={view.id}>{shown}</Around> : shown}
    </section>
  );
}
