import type { StationViews } from '../kit/stationViews';

export const prove: StationViews = {
  views: [
    { id: 'log', name: 'Log' },
    { id: 'many', name: 'Many at once' },
    { id: 'board', name: 'What is open' },
    { id: 'faults', name: 'Wire map' },
    { id: 'trouble', name: 'Trouble' },
    { id: 'compare', name: 'Compare' },
    { id: 'practice', name: 'Practice' },
  ],
  keys: [['Enter', 'take what was typed']],
};
