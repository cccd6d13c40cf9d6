import type { StationViews } from '../kit/stationViews';

export const survey: StationViews = {
  views: [
    { id: 'site', name: 'Site plan' },
    { id: 'questions', name: 'Questions' },
    { id: 'wishes', name: 'Wishes' },
    { id: 'capacity', name: 'Capacity' },
    { id: 'advice', name: 'Advice' },
    { id: 'scope', name: 'Scope and cautions' },
  ],
  keys: [
    ['← → ↑ ↓', 'on the plan: move the room or place in focus by 0.1 m, with Shift by 1 m'],
    ['Delete', 'on the plan: remove what is in focus'],
    ['Enter', 'in a field: keep what is typed'],
  ],
};
