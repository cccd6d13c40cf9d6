'use client';

import { useSession } from '../job/session';
import { useView } from '../kit/useView';
import { ViewTabs } from '../kit/ViewTabs';
import { BuyingView } from './BuyingView';
import { KindsView } from './KindsView';
import { LabelsView } from './LabelsView';
import { PathwaysView } from './PathwaysView';
import { ScheduleView } from './ScheduleView';
import { TracingView } from './TracingView';

const VIEWS = [
  { id: 'schedule', name: 'Schedule' },
  { id: 'pathways', name: 'Pathways' },
  { id: 'buying', name: 'Cable to buy and pull' },
  { id: 'kinds', name: 'Kinds of cable' },
  { id: 'labels', name: 'Labels' },
  { id: 'tracing', name: 'What is what' },
];

/** Runs: every permanent cable, its way, its box, its label. */
export function RunsStation() {
  const id = useSession((session) => session.job.id);
  const view = useView(VIEWS);
  return (
    <section aria-label="Runs" className="relative flex min-h-0 flex-1 flex-col">
      <ViewTabs base={`/jobs/${id}/runs`} views={VIEWS} now={view} />
      {view === 'schedule' && <ScheduleView />}
      {view === 'pathways' && <PathwaysView />}
      {view === 'buying' && <BuyingView />}
      {view === 'kinds' && <KindsView />}
      {view === 'labels' && <LabelsView />}
      {view === 'tracing' && <TracingView />}
    </section>
  );
}
