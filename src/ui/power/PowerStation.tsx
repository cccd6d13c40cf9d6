'use client';

import { useView } from '../kit/useView';
import { ViewTabs } from '../kit/ViewTabs';
import { BatteriesView } from './BatteriesView';
import { BundlesView } from './BundlesView';
import { CircuitsView } from './CircuitsView';
import { FeedsView } from './FeedsView';
import { HeatView } from './HeatView';
import { NoiseView } from './NoiseView';
import { RecordingsView } from './RecordingsView';
import { power } from './station';
import { TripView } from './TripView';

/** Power: what feeds what, what goes dark, how long it lasts, how warm and how loud it gets. */
export function PowerStation() {
  const view = useView(power.views);
  return (
    <section aria-label="Power station" className="relative flex min-h-0 flex-1 flex-col">
      <ViewTabs station="power" views={power.views} now={view} />
      {view === 'feeds' && <FeedsView />}
      {view === 'circuits' && <CircuitsView />}
      {view === 'trip' && <TripView />}
      {view === 'batteries' && <BatteriesView />}
      {view === 'heat' && <HeatView />}
      {view === 'bundles' && <BundlesView />}
      {view === 'noise' && <NoiseView />}
      {view === 'recordings' && <RecordingsView />}
    </section>
  );
}
