'use client';

import { useView } from '../kit/useView';
import { ViewTabs } from '../kit/ViewTabs';
import { CardsView } from './CardsView';
import { LandPlanView } from './LandPlanView';
import { PanelsScreen } from './PanelsScreen';
import { land } from './station';

/** Land: which run ends on which panel port, and how. */
export function LandStation() {
  const view = useView(land.views);
  return (
    <section aria-label="Land station" className="relative flex min-h-0 flex-1 flex-col">
      <ViewTabs station="land" views={land.views} now={view} />
      {view === 'panels' && <PanelsScreen />}
      {view === 'plan' && <LandPlanView />}
      {view === 'cards' && <CardsView />}
    </section>
  );
}
