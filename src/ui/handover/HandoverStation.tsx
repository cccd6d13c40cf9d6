'use client';

import { useView } from '../kit/useView';
import { ViewTabs } from '../kit/ViewTabs';
import { BuiltView } from './BuiltView';
import { CareView } from './CareView';
import { ChangeLogView } from './ChangeLogView';
import { CostView } from './CostView';
import { MoreView } from './MoreView';
import { PackView } from './PackView';
import { PhotographsView } from './PhotographsView';
import { handover } from './station';

/** Hand over: the pack, and what keeps it true afterwards. */
export function HandoverStation() {
  const view = useView(handover.views);
  return (
    <section aria-label="Hand over station" className="relative flex min-h-0 flex-1 flex-col">
      <ViewTabs station="handover" views={handover.views} now={view} />
      {view === 'pack' && <PackView />}
      {view === 'more' && <MoreView />}
      {view === 'built' && <BuiltView />}
      {view === 'photographs' && <PhotographsView />}
      {view === 'care' && <CareView />}
      {view === 'cost' && <CostView />}
      {view === 'log' && <ChangeLogView />}
    </section>
  );
}
