import type { StationViews } from '../kit/stationViews';

export const prove: StationViews = {
  views: [
    { id: 'log', name: 'Log' },
    { id: 'board', name: 'What is open' },
    { id: 'faults', name: 'Wire map' },
    { id: 'trouble', name: 'Trouble' },
    { id: 'compare', name: 'Compare' },
  ],
  keys: [['Enter', 'take what was typed']],
};
