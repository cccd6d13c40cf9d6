import type { StationViews } from '../kit/stationViews';

/** Land: which run ends on which panel port, and how. */
export const land: StationViews = {
  label: 'Land station',
  views: [
    { id: 'panels', name: 'Panels', load: () => import('./PanelsScreen').then((module) => module.PanelsScreen) },
    { id: 'plan', name: 'Plan', load: () => import('./LandPlanView').then((module) => module.LandPlanView) },
    { id: 'cards', name: 'Cards and parts', load: () => import('./CardsView').then((module) => module.CardsView) },
  ],
  keys: [
    ['Enter', 'pick a run up; land it on the port in focus'],
    ['← → ↑ ↓', 'from port to port'],
    ['Delete', 'take the run off the port in focus'],
    ['Esc', 'put the run back'],
  ],
};
