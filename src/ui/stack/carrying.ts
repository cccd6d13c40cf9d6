import { create } from 'zustand';
import type { Aim } from '@/core/trade/rack/arrange/aim';

/** A device in the hand, and where it would go; null where nothing takes it. */
export type Carried = { gearId: string; aim: Aim | null; by: 'pointer' | 'keys' };

type Carrying = {
  carried: Carried | null;
  set: (carried: Carried | null) => void;
};

/** Apart from the job, so that a move of the hand draws nothing anew but what it touches. */
export const useCarrying = create<Carrying>()((set) => ({ carried: null, set: (carried) => set({ carried }) }));
