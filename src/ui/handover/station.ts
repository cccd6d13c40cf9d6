import type { StationViews } from '../kit/stationViews';

export const handover: StationViews = {
  views: [
    { id: 'pack', name: 'The pack' },
    { id: 'more', name: 'One more' },
    { id: 'built', name: 'As built' },
    { id: 'photographs', name: 'Photographs' },
    { id: 'care', name: 'Care' },
    { id: 'cost', name: 'Cost' },
    { id: 'log', name: 'Change log' },
  ],
  keys: [['Enter', 'take what was typed']],
};
