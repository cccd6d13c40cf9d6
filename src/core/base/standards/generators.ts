import { fromMemory, published } from './source';

/** A standing generator of this type carries its load within so many seconds. */
export const TYPE_10_S = 10;
export const typeSource = published('NFPA 110: Type 10, 10 s');
/** Each attempt to start turns and rests so long, s. */
export const cranking = { turnS: 15, restS: 15 } as const;
export const crankSource = fromMemory('NFPA 110: three cranks of 15 s with 15 s rests');
/** Battery minutes are planned for so many times the gap. Common practice, no source. */
export const bridgeMargin = 2;
/** kVA of a generator for each kVA of battery unit, the careful end. Common practice, no source. */
export const generatorShare = { corrected: 1.5, plain: 3, recharge: 0.25 } as const;
export const generatorCaution = {
  words:
    'A generator stands outdoors, 6 m (20 ft) or more from windows, doors and vents, for its exhaust holds carbon monoxide; it is connected only through a transfer switch, by a licensed electrician.',
  source: published('CDC and CPSC advice: 20 ft from openings; NFPA 70 Article 702: transfer equipment'),
};
