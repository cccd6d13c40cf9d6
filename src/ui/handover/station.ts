import type { StationViews } from '../kit/stationViews';

/** Hand over: the pack, and what keeps it true afterwards. */
export const handover: StationViews = {
  label: 'Hand over station',
  views: [
    { id: 'pack', name: 'The pack', load: () => import('./PackView').then((module) => module.PackView) },
    { id: 'more', name: 'One more', load: () => import('./MoreView').then((module) => module.MoreView) },
    { id: 'built', name: 'As built', load: () => import('./BuiltView').then((module) => module.BuiltView) },
    {
      id: 'photographs',
      name: 'Photographs',
      load: () => import('./PhotographsView').then((module) => module.PhotographsView),
    },
    { id: 'care', name: 'Care', load: () => import('./CareView').then((module) => module.CareView) },
    { id: 'cost', name: 'Cost', load: () => import('./CostView').then((module) => module.CostView) },
    { id: 'log', name: 'Change log', load: () => import('./ChangeLogView').then((module) => module.ChangeLogView) },
  ],
  keys: [['Enter', 'take what was typed']],
};
