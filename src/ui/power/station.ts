import type { StationViews } from '../kit/stationViews';

/** Power: what feeds what, what goes dark, how long it lasts, how warm and how loud it gets. */
export const power: StationViews = {
  label: 'Power station',
  views: [
    { id: 'feeds', name: 'Feeds', load: () => import('./FeedsView').then((module) => module.FeedsView) },
    { id: 'circuits', name: 'Circuits', load: () => import('./CircuitsView').then((module) => module.CircuitsView) },
    { id: 'trip', name: 'Trip it', load: () => import('./TripView').then((module) => module.TripView) },
    {
      id: 'batteries',
      name: 'Batteries',
      load: () => import('./BatteriesView').then((module) => module.BatteriesView),
    },
    { id: 'heat', name: 'Heat', load: () => import('./HeatView').then((module) => module.HeatView) },
    { id: 'bundles', name: 'Cable heat', load: () => import('./BundlesView').then((module) => module.BundlesView) },
    { id: 'noise', name: 'Noise', load: () => import('./NoiseView').then((module) => module.NoiseView) },
    {
      id: 'recordings',
      name: 'Recordings',
      load: () => import('./RecordingsView').then((module) => module.RecordingsView),
    },
  ],
  keys: [
    ['Enter', 'pick up the plug in focus, or put it into the outlet in focus; trip the part in focus'],
    ['← →', 'from outlet to outlet'],
    ['Delete', 'pull the plug in focus'],
    ['Esc', 'put back what is in the hand'],
  ],
};
