import type { PlaceKind } from '@/core/job/records/place';

/** What places are called, and the letter that marks them on the plan. */
export const PLACE_WORDS: Record<PlaceKind, { name: string; letter: string }> = {
  cabinet: { name: 'Cabinet', letter: 'C' },
  'cable-entry': { name: 'Cable entry', letter: 'E' },
  internet: { name: 'Internet', letter: 'I' },
  mains: { name: 'Mains', letter: 'M' },
  outlet: { name: 'Outlet', letter: 'O' },
};
