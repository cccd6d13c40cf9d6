import { useState } from 'react';
import { naturalOrder } from '@/core/base/text/naturalOrder';
import { useSession } from '../session/session';

/** The cabinets of the job in order, and the one that is looked at: the first until another is chosen. */
export function useRack() {
  const racks = useSession((session) => session.job.racks);
  const [chosen, onRack] = useState<string | null>(null);
  const all = Object.values(racks).sort((a, b) => naturalOrder(a.name, b.name));
  return { all, rack: all.find((one) => one.id === chosen) ?? all[0], onRack };
}
