import type { StationViews } from '../kit/stationViews';

/** Patch: cords from panel ports to switch ports, and what leads on from there. */
export const patch: StationViews = {
  label: 'Patch station',
  views: [
    { id: 'loom', name: 'Loom', load: () => import('./LoomScreen').then((module) => module.LoomScreen) },
    { id: 'faces', name: 'Faces', load: () => import('./FacesView').then((module) => module.FacesView) },
    { id: 'plan', name: 'Plan', load: () => import('./PlanView').then((module) => module.PlanView) },
    { id: 'cords', name: 'Cords', load: () => import('./CordsView').then((module) => module.CordsView) },
    { id: 'uplinks', name: 'Uplinks', load: () => import('./UplinksView').then((module) => module.UplinksView) },
    { id: 'networks', name: 'Networks', load: () => import('./NetworksView').then((module) => module.NetworksView) },
  ],
  keys: [
    ['Enter', 'pick a strand up; drop it on the port in focus'],
    ['↑ ↓', 'from port to port, or from run to run'],
    ['Delete', 'unpatch the run in focus'],
    ['Esc', 'let go'],
  ],
};
