/** The stations that work, in the order of the job. */
export const STATIONS = ['survey', 'runs', 'stack', 'land', 'patch', 'power', 'build', 'prove', 'handover'] as const;
export type StationId = (typeof STATIONS)[number];
export const STATION_NAMES: Record<StationId, string> = {
  survey: 'Survey',
  runs: 'Runs',
  stack: 'Stack',
  land: 'Land',
  patch: 'Patch',
  power: 'Power',
  build: 'Build',
  prove: 'Prove',
  handover: 'Hand over',
};
