'use client';

import { useView } from '../kit/useView';
import { ViewTabs } from '../kit/ViewTabs';
import { ArrangeView } from './ArrangeView';
import { CabinetView } from './CabinetView';
import { HolesView } from './HolesView';
import { LiftingView } from './LiftingView';
import { stack } from './station';
import { WallView } from './WallView';

/** Stack: the cabinet and what stands in it. */
export function StackStation() {
  const view = useView(stack.views);
  return (
    <section aria-label="Stack" className="relative flex min-h-0 flex-1 flex-col">
      <ViewTabs station="stack" views={stack.views} now={view} />
      {view === 'cabinet' && <CabinetView />}
      {view === 'arrange' && <ArrangeView />}
      {view === 'holes' && <HolesView />}
      {view === 'wall' && <WallView />}
      {view === 'lifting' && <LiftingView />}
    </section>
  );
}
