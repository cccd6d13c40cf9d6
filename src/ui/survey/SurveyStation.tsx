'use client';

import { useView } from '../kit/useView';
import { ViewTabs } from '../kit/ViewTabs';
import { AdviceView } from './AdviceView';
import { CapacityView } from './CapacityView';
import { QuestionsView } from './QuestionsView';
import { ScopeView } from './ScopeView';
import { SiteView } from './SiteView';
import { survey } from './station';
import { WishesView } from './WishesView';

/** Survey: what is here, what is wanted, and whether it will still be enough in some years. */
export function SurveyStation() {
  const view = useView(survey.views);
  return (
    <section aria-label="Survey" className="flex min-h-0 flex-1 flex-col">
      <ViewTabs station="survey" views={survey.views} now={view} />
      {view === 'site' && <SiteView />}
      {view === 'questions' && <QuestionsView />}
      {view === 'wishes' && <WishesView />}
      {view === 'capacity' && <CapacityView />}
      {view === 'advice' && <AdviceView />}
      {view === 'scope' && <ScopeView />}
    </section>
  );
}
