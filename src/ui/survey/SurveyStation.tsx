'use client';

import { useSession } from '../job/session';
import { useView } from '../kit/useView';
import { ViewTabs } from '../kit/ViewTabs';
import { AdviceView } from './AdviceView';
import { CapacityView } from './CapacityView';
import { QuestionsView } from './QuestionsView';
import { ScopeView } from './ScopeView';
import { SiteView } from './SiteView';
import { WishesView } from './WishesView';

const VIEWS = [
  { id: 'site', name: 'Site plan' },
  { id: 'questions', name: 'Questions' },
  { id: 'wishes', name: 'Wishes' },
  { id: 'capacity', name: 'Capacity' },
  { id: 'advice', name: 'Advice' },
  { id: 'scope', name: 'Scope and cautions' },
];

/** Survey: what is here, what is wanted, and whether it will still be enough in some years. */
export function SurveyStation() {
  const id = useSession((session) => session.job.id);
  const view = useView(VIEWS);
  return (
    <section aria-label="Survey" className="flex min-h-0 flex-1 flex-col">
      <ViewTabs base={`/jobs/${id}/survey`} views={VIEWS} now={view} />
      {view === 'site' && <SiteView />}
      {view === 'questions' && <QuestionsView />}
      {view === 'wishes' && <WishesView />}
      {view === 'capacity' && <CapacityView />}
      {view === 'advice' && <AdviceView />}
      {view === 'scope' && <ScopeView />}
    </section>
  );
}
