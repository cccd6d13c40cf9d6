import type { StationViews } from '../kit/stationViews';

/** Survey: what is here, what is wanted, and whether it will still be enough in some years. */
export const survey: StationViews = {
  label: 'Survey',
  views: [
    { id: 'site', name: 'Site plan', load: () => import('./SiteView').then((module) => module.SiteView) },
    {
      id: 'questions',
      name: 'Questions',
      load: () => import('./QuestionsView').then((module) => module.QuestionsView),
    },
    { id: 'wishes', name: 'Wishes', load: () => import('./WishesView').then((module) => module.WishesView) },
    { id: 'capacity', name: 'Capacity', load: () => import('./CapacityView').then((module) => module.CapacityView) },
    { id: 'advice', name: 'Advice', load: () => import('./AdviceView').then((module) => module.AdviceView) },
    { id: 'scope', name: 'Scope and cautions', load: () => import('./ScopeView').then((module) => module.ScopeView) },
  ],
  keys: [
    ['← → ↑ ↓', 'on the plan: move the room or place in focus by 0.1 m, with Shift by 1 m'],
    ['Delete', 'on the plan: remove what is in focus'],
    ['Enter', 'in a field: keep what is typed'],
  ],
};
