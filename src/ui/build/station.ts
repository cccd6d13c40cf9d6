import type { StationViews } from '../kit/stationViews';

export const build: StationViews = {
  views: [
    { id: 'order', name: 'Order' },
    { id: 'kit', name: 'Kit' },
    { id: 'play', name: 'Play' },
    { id: 'work', name: 'Work' },
    { id: 'notice', name: 'Telling people' },
    { id: 'terms', name: 'From what, when' },
  ],
  keys: [
    ['← →', 'in Play: one step back or on'],
    ['Home End', 'in Play: to the beginning or the end'],
    ['Alt ↑ ↓', 'in Order: the step in focus before or after its neighbour'],
  ],
};
