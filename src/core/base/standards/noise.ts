import { commonPractice, fromMemory, published, type Source } from './source';

export const PLACE_USES = ['bedroom', 'office', 'living', 'workshop'] as const;
export type PlaceUse = (typeof PLACE_USES)[number];
/** What is to be heard at most, dB(A), by day and by night. */
export const noiseTargets: Readonly<
  Record<PlaceUse, { name: string; dayDb: number; nightDb: number; source: Source }>
> = {
  bedroom: { name: 'bedroom', dayDb: 35, nightDb: 30, source: published('WHO 1999: 30 dB L_Aeq in bedrooms at night') },
  office: { name: 'office', dayDb: 38, nightDb: 38, source: commonPractice },
  living: { name: 'living room', dayDb: 35, nightDb: 35, source: fromMemory('WHO 1999: 35 dB L_Aeq indoors by day') },
  workshop: { name: 'workshop or corridor', dayDb: 50, nightDb: 50, source: commonPractice },
};
/** Power less pressure at a metre over a floor, free field, dB. */
export const powerAtOneMetre = 8;
export const noiseSource = published('acoustics: incoherent sums; L_p = L_W + 10 log(Q/4πr² + 4/R)');
/** A glass door with closed sides takes off so much: the careful end of 5 to 10 dB. Common practice, no source. */
export const shutDoorDb = 5;
/** Room constant to calculate with where nobody said it, m²: a furnished bedroom has 8 to 15. Common practice, no source. */
export const smallRoomM2 = 10;
/** One face reflects: the wall that something hangs on, or the floor away from walls. */
export const directivity = 2;
/** Sound grows with speed: 50 times the logarithm of the ratio, dB. Common practice, no source. */
export const fanNoiseFactor = 50;
