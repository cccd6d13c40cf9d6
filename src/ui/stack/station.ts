import type { StationViews } from '../kit/stationViews';

/** Stack: the cabinet and what stands in it. */
export const stack: StationViews = {
  label: 'Stack',
  views: [
    { id: 'cabinet', name: 'Cabinet', load: () => import('./CabinetView').then((module) => module.CabinetView) },
    { id: 'arrange', name: 'Arrange', load: () => import('./ArrangeView').then((module) => module.ArrangeView) },
    { id: 'holes', name: 'Holes and screws', load: () => import('./HolesView').then((module) => module.HolesView) },
    { id: 'wall', name: 'Hanging', load: () => import('./WallView').then((module) => module.WallView) },
    {
      id: 'lifting',
      name: 'Lifting and loading',
      load: () => import('./LiftingView').then((module) => module.LiftingView),
    },
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
