import type { StationViews } from '../kit/stationViews';

/** Runs: every permanent cable, its way, its box, its label. */
export const runs: StationViews = {
  label: 'Runs',
  views: [
    { id: 'schedule', name: 'Schedule', load: () => import('./ScheduleView').then((module) => module.ScheduleView) },
    { id: 'pathways', name: 'Pathways', load: () => import('./PathwaysView').then((module) => module.PathwaysView) },
    {
      id: 'buying',
      name: 'Cable to buy and pull',
      load: () => import('./BuyingView').then((module) => module.BuyingView),
    },
    { id: 'kinds', name: 'Kinds of cable', load: () => import('./KindsView').then((module) => module.KindsView) },
    { id: 'labels', name: 'Labels', load: () => import('./LabelsView').then((module) => module.LabelsView) },
    {
      id: 'tracing',
      name: 'Unlabelled cables',
      load: () => import('./TracingView').then((module) => module.TracingView),
    },
  ],
  keys: [
    ['Enter', 'next row, same column'],
    ['↑ ↓', 'row above, row below'],
    ['Esc', 'leave the cell as it was'],
    ['Ctrl V', 'paste cells or a column from a sheet, from this cell on'],
    ['GF-{01..12}', 'in the last row: twelve labels at once'],
  ],
};
