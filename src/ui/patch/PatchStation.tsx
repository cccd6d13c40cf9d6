'use client';

import { useView } from '../kit/useView';
import { ViewTabs } from '../kit/ViewTabs';
import { CordsView } from './CordsView';
import { FacesView } from './FacesView';
import { LoomScreen } from './LoomScreen';
import { NetworksView } from './NetworksView';
import { PlanView } from './PlanView';
import { patch } from './station';
import { UplinksView } from './UplinksView';

/** Patch: cords from panel ports to switch ports, and what leads on from there. */
export function PatchStation() {
  const view = useView(patch.views);
  return (
    <section aria-label="Patch station" className="relative flex min-h-0 flex-1 flex-col">
      <ViewTabs station="patch" views={patch.views} now={view} />
      {view === 'loom' && <LoomScreen />}
      {view === 'faces' && <FacesView />}
      {view === 'plan' && <PlanView />}
      {view === 'cords' && <CordsView />}
      {view === 'uplinks' && <UplinksView />}
      {view === 'networks' && <NetworksView />}
    </section>
  );
}
