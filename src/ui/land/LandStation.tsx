'use client';

import { useSession } from '../job/session';
import { useView } from '../kit/useView';
import { ViewTabs } from '../kit/ViewTabs';
import { CardsView } from './CardsView';
import { LandPlanView } from './LandPlanView';
import { PanelsScreen } from './PanelsScreen';

const VIEWS = [
  { id: 'panels', name: 'Panels' },
  { id: 'plan', name: 'Plan' },
  { id: 'cards', name: 'Cards and parts' },
];

/** Land: which run ends on which panel port, and how. */
export function LandStation() {
  const id = useSession((session) => session.job.id);
  const view = useView(VIEWS);
  return (
    <section aria-label="Land station" className="relative flex min-h-0 flex-1 flex-col">
      <ViewTabs base={`/jobs/${id}/land`} views={VIEWS} now={view} />
      {view === 'panels' && <PanelsScreen />}
      {view === 'plan' && <LandPlanView />}
      {view === 'cards' && <CardsView />}
    </section>
  );
}
