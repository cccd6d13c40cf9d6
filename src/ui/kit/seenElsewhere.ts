import { create } from 'zustand';

export type SeenPlace = { switchId: string; port: number };

/** Runs that a switch saw in another port than planned, so that the loom shows it beside the plan. Never kept with the job. */
export const useSeenElsewhere = create<{
  jobId: string;
  places: ReadonlyMap<string, SeenPlace>;
  show: (jobId: string, places: ReadonlyMap<string, SeenPlace>) => void;
}>()((set) => ({
  jobId: '',
  places: new Map(),
  show: (jobId, places) => set({ jobId, places }),
}));
