import type { StationViews } from '../kit/stationViews';

export const power: StationViews = {
  views: [
    { id: 'feeds', name: 'Feeds' },
    { id: 'circuits', name: 'Circuits' },
    { id: 'trip', name: 'Trip it' },
    { id: 'batteries', name: 'Batteries' },
    { id: 'heat', name: 'Heat' },
    { id: 'bundles', name: 'Cable heat' },
    { id: 'noise', name: 'Noise' },
    { id: 'recordings', name: 'Recordings' },
  ],
  keys: [
    ['Enter', 'pick up the plug in focus, or put it into the outlet in focus; trip the part in focus'],
    ['← →', 'from outlet to outlet'],
    ['Delete', 'pull the plug in focus'],
    ['Esc', 'put back what is in the hand'],
  ],
};
