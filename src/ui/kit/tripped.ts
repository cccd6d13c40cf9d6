import { create } from 'zustand';

const NOTHING: ReadonlySet<string> = new Set();

type Tripped = {
  jobId: string;
  /** Keys of the parts that are taken to have failed. */
  failed: readonly string[];
  /** Devices without power and runs without effect then. */
  dark: ReadonlySet<string>;
  cut: ReadonlySet<string>;
  fail: (jobId: string, failed: readonly string[]) => void;
  show: (dark: ReadonlySet<string>, cut: ReadonlySet<string>) => void;
};

/** What is tried out at Trip it, so that the other stations show it too. It is never kept with the job. */
export const useTripped = create<Tripped>()((set) => ({
  jobId: '',
  failed: [],
  dark: NOTHING,
  cut: NOTHING,
  fail: (jobId, failed) => set(failed.length > 0 ? { jobId, failed } : { jobId, failed, dark: NOTHING, cut: NOTHING }),
  show: (dark, cut) => set({ dark, cut }),
}));
