/** Light in a vacuum, m per ns. */
const C_M_NS = 0.299_792_458;

/** Length from the time that an echo takes there and back, m. */
export const echoLengthM = (nvp: number, echoNs: number): number => (nvp * C_M_NS * echoNs) / 2;

/** Speed in the cable against that of light, from a known length and the time one way. */
export const nvpOf = (lengthM: number, oneWayNs: number): number => lengthM / (C_M_NS * oneWayNs);

/** Chance that a frame is broken, from the chance of a bit: 1 − (1 − BER)^bits. */
export const frameErrorRate = (ber: number, octets: number): number => -Math.expm1(octets * 8 * Math.log1p(-ber));

/** Preamble and gap between frames, octets (IEEE 802.3). */
const BETWEEN = 20;

/** Seconds from one broken frame to the next on a link that is always full. */
export const secondsAnError = (ber: number, octets: number, mbps: number): number =>
  ((octets + BETWEEN) * 8) / (mbps * 1e6) / frameErrorRate(ber, octets);

/** Seconds until a counter of 32 bits over octets comes round. */
export const wrapSeconds = (mbps: number): number => (2 ** 32 * 8) / (mbps * 1e6);
