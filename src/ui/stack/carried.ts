/** A device in the hand: where it would stand, and why it cannot. */
export type Carried = { gearId: string; bottomU: number | null; fault: string | null; by: 'pointer' | 'keys' };
