'use client';

import { useView } from '../kit/useView';
import { ViewTabs } from '../kit/ViewTabs';
import { BoardView } from './BoardView';
import { CompareView } from './CompareView';
import { LogView } from './LogView';
import { ManyView } from './ManyView';
import { PracticeView } from './PracticeView';
import { prove } from './station';
import { TroubleView } from './TroubleView';
import { WireMapView } from './WireMapView';

/** Prove: every run tested, and faults found in the fewest minutes. */
export function ProveStation() {
  const view = useView(prove.views);
  return (
    <section aria-label="Prove station" className="relative flex min-h-0 flex-1 flex-col">
      <ViewTabs station="prove" views={prove.views} now={view} />
      {view === 'log' && <LogView />}
      {view === 'many' && <ManyView />}
      {view === 'board' && <BoardView />}
      {view === 'faults' && <WireMapView />}
      {view === 'trouble' && <TroubleView />}
      {view === 'compare' && <CompareView />}
      {view === 'practice' && <PracticeView />}
    </section>
  );
}
