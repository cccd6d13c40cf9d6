import { create } from 'zustand';
import type { BuildFinding } from '@/core/trade/build/findings';

/** What stands against the build of a job, as its station reckoned it last. */
export const useAgainst = create<{
  jobId: string;
  findings: readonly BuildFinding[];
  say: (jobId: string, findings: readonly BuildFinding[]) => void;
}>()((set) => ({
  jobId: '',
  findings: [],
  say: (jobId, findings) => set({ jobId, findings }),
}));
