import { describe, expect, it } from 'vitest';
import { goodput, transferMinutes } from './ethernetRates';

// Arithmetic over the frame of IEEE 802.3 and the headers of RFC 791, 9293 and 7323.
describe('what a link hands over of data', () => {
  it.each([
    [100, 94.15],
    [1000, 941.5],
    [2500, 2353.7],
    [5000, 4707.4],
    [10_000, 9414.8],
  ])('%i Mb/s: %d Mb/s', (speed, data) => {
    expect(goodput(speed)).toBeCloseTo(data, 1);
  });

  it('is 990.0 Mb/s with packets of 9000 bytes, and 939.0 Mb/s where frames carry the number of a network', () => {
    expect(goodput(1000, 9000)).toBeCloseTo(990, 1);
    expect(goodput(1000, 1500, 4)).toBeCloseTo(939, 1);
  });

  it('takes 14.2 minutes for 100 GB at 1 Gb/s', () => {
    expect(transferMinutes(1e11, 1000)).toBeCloseTo(14.2, 1);
  });
});
