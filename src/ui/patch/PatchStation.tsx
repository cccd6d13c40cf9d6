'use client';

import { useSession } from '../job/session';
import { useView } from '../kit/useView';
import { ViewTabs } from '../kit/ViewTabs';
import { CordsView } from './CordsView';
import { FacesView } from './FacesView';
import { LoomScreen } from './LoomScreen';
import { NetworksView } from './NetworksView';
import { PlanView } from './PlanView';
import { UplinksView } from './UplinksView';

const VIEWS = [
  { id: 'loom', name: 'Loom' },
  { id: 'faces', name: 'Faces' },
  { id: 'plan', name: 'Plan' },
  { id: 'cords', name: 'Cords' },
  { id: 'uplinks', name: 'Uplinks' },
  { id: 'networks', name: 'Networks' },
];

/** Patch: cords from panel ports to switch ports, and what leads on from there. */
export function PatchStation() {
  const id = useSession((session) => session.job.id);
  const view = useView(VIEWS);
  return (
    <section aria-label="Patch station" className="relative flex min-h-0 flex-1 flex-col">
      <ViewTabs base={`/jobs/${id}/patch`} views={VIEWS} now={view} />
      {view === 'loom' && <LoomScreen />}
      {view === 'faces' && <FacesView />}
      {view === 'plan' && <PlanView />}
      {view === 'cords' && <CordsView />}
      {view === 'uplinks' && <UplinksView />}
      {view === 'networks' && <NetworksView />}
    </section>
  );
}
