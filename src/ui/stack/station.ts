import type { StationViews } from '../kit/stationViews';

export const stack: StationViews = {
  views: [
    { id: 'cabinet', name: 'Cabinet' },
    { id: 'arrange', name: 'Arrange' },
    { id: 'holes', name: 'Holes and screws' },
    { id: 'wall', name: 'Hanging' },
    { id: 'lifting', name: 'Lifting and loading' },
  ],
  keys: [
    ['Enter', 'pick the device up; put it down'],
    ['↑ ↓', 'while picked up: a unit higher or lower'],
    ['← →', 'while picked up: to the rear rails, and to the next cabinet'],
    ['P', 'pin the device in focus where it stands, or let it go'],
    ['E', 'change the device in focus'],
    ['Delete', 'take the device out of the rack'],
    ['Esc', 'leave it where it was'],
  ],
};
