import type { StationViews } from '../kit/stationViews';

export const patch: StationViews = {
  views: [
    { id: 'loom', name: 'Loom' },
    { id: 'faces', name: 'Faces' },
    { id: 'plan', name: 'Plan' },
    { id: 'cords', name: 'Cords' },
    { id: 'uplinks', name: 'Uplinks' },
    { id: 'networks', name: 'Networks' },
  ],
  keys: [
    ['Enter', 'pick a strand up; drop it on the port in focus'],
    ['↑ ↓', 'from port to port, or from run to run'],
    ['Delete', 'unpatch the run in focus'],
    ['Esc', 'let go'],
  ],
};
