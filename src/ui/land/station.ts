import type { StationViews } from '../kit/stationViews';

export const land: StationViews = {
  views: [
    { id: 'panels', name: 'Panels' },
    { id: 'plan', name: 'Plan' },
    { id: 'cards', name: 'Cards and parts' },
  ],
  keys: [
    ['Enter', 'pick a run up; land it on the port in focus'],
    ['← → ↑ ↓', 'from port to port'],
    ['Delete', 'take the run off the port in focus'],
    ['Esc', 'put the run back'],
  ],
};
