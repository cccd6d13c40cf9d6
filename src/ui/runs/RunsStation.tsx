'use client';

import { useView } from '../kit/useView';
import { ViewTabs } from '../kit/ViewTabs';
import { BuyingView } from './BuyingView';
import { KindsView } from './KindsView';
import { LabelsView } from './LabelsView';
import { PathwaysView } from './PathwaysView';
import { ScheduleView } from './ScheduleView';
import { runs } from './station';
import { TracingView } from './TracingView';

/** Runs: every permanent cable, its way, its box, its label. */
export function RunsStation() {
  const view = useView(runs.views);
  return (
    <section aria-label="Runs" className="relative flex min-h-0 flex-1 flex-col">
      <ViewTabs station="runs" views={runs.views} now={view} />
      {view === 'schedule' && <ScheduleView />}
      {view === 'pathways' && <PathwaysView />}
      {view === 'buying' && <BuyingView />}
      {view === 'kinds' && <KindsView />}
      {view === 'labels' && <LabelsView />}
      {view === 'tracing' && <TracingView />}
    </section>
  );
}
