'use client';

import { useSession } from '../job/session';
import { useView } from '../kit/useView';
import { ViewTabs } from '../kit/ViewTabs';
import { ArrangeView } from './ArrangeView';
import { CabinetView } from './CabinetView';
import { HolesView } from './HolesView';
import { LiftingView } from './LiftingView';
import { WallView } from './WallView';

const VIEWS = [
  { id: 'cabinet', name: 'Cabinet' },
  { id: 'arrange', name: 'Arrange' },
  { id: 'holes', name: 'Holes and screws' },
  { id: 'wall', name: 'Hanging' },
  { id: 'lifting', name: 'Lifting and loading' },
];

/** Stack: the cabinet and what stands in it. */
export function StackStation() {
  const id = useSession((session) => session.job.id);
  const view = useView(VIEWS);
  return (
    <section aria-label="Stack" className="relative flex min-h-0 flex-1 flex-col">
      <ViewTabs base={`/jobs/${id}/stack`} views={VIEWS} now={view} />
      {view === 'cabinet' && <CabinetView />}
      {view === 'arrange' && <ArrangeView />}
      {view === 'holes' && <HolesView />}
      {view === 'wall' && <WallView />}
      {view === 'lifting' && <LiftingView />}
    </section>
  );
}
