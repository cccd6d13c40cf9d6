import { published } from './source';

/** Bytes on the wire around each packet: preamble 8, header 14, check sequence 4, gap 12. */
const FRAME_BYTES = 38;
/** Bytes of a packet that are no data: IPv4 20, TCP 20, its timestamps 12. */
const PACKET_HEAD_BYTES = 52;
const PACKET_BYTES = 1500;

export const ethernetRateSource = published('IEEE 802.3; RFC 791, 9293, 7323: arithmetic');

/**
 * What a link hands over of data at most, in the unit of its speed: TCP over IPv4 with timestamps.
 * @param speed of the link; what is asked is in proportion to it
 * @param packetBytes largest packet, 1500 unless both ends are set for more
 * @param tagBytes 4 where frames carry the number of a network
 */
export function goodput(speed: number, packetBytes = PACKET_BYTES, tagBytes = 0): number {
  return (speed * (packetBytes - PACKET_HEAD_BYTES)) / (packetBytes + FRAME_BYTES + tagBytes);
}

/** Minutes that so many bytes take at a link's speed in Mb/s. */
export const transferMinutes = (bytes: number, speedMbps: number): number =>
  (bytes * 8) / (goodput(speedMbps) * 1e6) / 60;
