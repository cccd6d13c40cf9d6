import type { StationViews } from '../kit/stationViews';

/** Build: from today's cabinet to the new one, in the order that keeps people online. */
export const build: StationViews = {
  label: 'Build station',
  views: [
    { id: 'order', name: 'Order', load: () => import('./OrderView').then((module) => module.OrderView) },
    { id: 'kit', name: 'Kit', load: () => import('./KitView').then((module) => module.KitView) },
    { id: 'play', name: 'Play', load: () => import('./PlayView').then((module) => module.PlayView) },
    { id: 'work', name: 'Work', load: () => import('./WorkView').then((module) => module.WorkView) },
    { id: 'notice', name: 'Telling people', load: () => import('./NoticeView').then((module) => module.NoticeView) },
    { id: 'terms', name: 'From what, when', load: () => import('./TermsView').then((module) => module.TermsView) },
  ],
  frame: () => import('./BuildFrame').then((module) => module.BuildFrame),
  keys: [
    ['← →', 'in Play: one step back or on'],
    ['Home End', 'in Play: to the beginning or the end'],
    ['Alt ↑ ↓', 'in Order: the step in focus before or after its neighbour'],
  ],
};
