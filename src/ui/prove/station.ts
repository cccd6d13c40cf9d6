import type { StationViews } from '../kit/stationViews';

/** Prove: every run tested, and faults found in the fewest minutes. */
export const prove: StationViews = {
  label: 'Prove station',
  views: [
    { id: 'log', name: 'Log', load: () => import('./LogView').then((module) => module.LogView) },
    { id: 'many', name: 'Many at once', load: () => import('./ManyView').then((module) => module.ManyView) },
    { id: 'board', name: 'What is open', load: () => import('./BoardView').then((module) => module.BoardView) },
    { id: 'faults', name: 'Wire map', load: () => import('./WireMapView').then((module) => module.WireMapView) },
    { id: 'trouble', name: 'Trouble', load: () => import('./TroubleView').then((module) => module.TroubleView) },
    { id: 'compare', name: 'Compare', load: () => import('./CompareView').then((module) => module.CompareView) },
    { id: 'practice', name: 'Practice', load: () => import('./PracticeView').then((module) => module.PracticeView) },
  ],
  keys: [['Enter', 'take what was typed']],
};
