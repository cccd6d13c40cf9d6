import { describe, expect, it } from 'vitest';
import { linkLossDb, moduleFor } from '../../trade/patching/uplinks/uplinkFacts';
import { channelLossDb, channelLossSource, directAttach, modules } from './links';
import { crossed, pinouts } from './pinout';

describe('pins and pairs (ANSI/TIA-568.0, 568.1)', () => {
  it('are as the standard lists them', () => {
    const colours = (wiring: 'A' | 'B') => pinouts[wiring].map(({ colour }) => colour);
    expect(colours('A')).toEqual([
      'white-green',
      'green',
      'white-orange',
      'blue',
      'white-blue',
      'orange',
      'white-brown',
      'brown',
    ]);
    expect(colours('B')).toEqual([
      'white-orange',
      'orange',
      'white-green',
      'blue',
      'white-blue',
      'green',
      'white-brown',
      'brown',
    ]);
    expect(pinouts.A.map(({ pair }) => pair)).toEqual([3, 3, 2, 1, 1, 2, 4, 4]);
    expect(pinouts.B.map(({ pair }) => pair)).toEqual([2, 2, 3, 1, 1, 3, 4, 4]);
  });

  it('cross into 3, 6, 1, 4, 5, 2, 7, 8 where one end is A and the other B, and back again', () => {
    const map = crossed('A', 'B');
    expect(map).toEqual([3, 6, 1, 4, 5, 2, 7, 8]);
    expect(map.map((pin) => map[pin - 1])).toEqual([1, 2, 3, 4, 5, 6, 7, 8]);
    expect(crossed('B', 'B')).toEqual([1, 2, 3, 4, 5, 6, 7, 8]);
  });
});

describe('fibre and direct-attach', () => {
  const reach = (name: string) => modules.find((one) => one.name === name)?.reachMm;

  it('reach as far as IEEE 802.3 says', () => {
    expect(reach('10GBASE-SR')).toEqual({ OM1: 33_000, OM2: 82_000, OM3: 300_000, OM4: 400_000 });
    expect(reach('1000BASE-SX')).toMatchObject({ OM1: 275_000, OM2: 550_000 });
    expect(reach('1000BASE-LX')).toEqual({ OS2: 5_000_000 });
    expect(reach('10GBASE-LR')).toEqual({ OS2: 10_000_000 });
    expect(reach('25GBASE-SR')).toEqual({ OM3: 70_000, OM4: 100_000 });
    expect(reach('40GBASE-SR4')).toEqual({ OM3: 100_000, OM4: 150_000 });
    expect(reach('100GBASE-SR4')).toEqual({ OM3: 70_000, OM4: 100_000 });
    expect(directAttach.map(({ speedMbps, plainMm, mostMm }) => [speedMbps, plainMm, mostMm])).toEqual([
      [10_000, 7000, 7000],
      // 25GBASE-CR-S without, 25GBASE-CR with forward error correction.
      [25_000, 3000, 5000],
      [40_000, 7000, 7000],
      [100_000, 5000, 5000],
    ]);
  });

  it('lose 1.85 dB over 100 m of OM3 with two mated pairs, within the 2.6 dB of 10GBASE-SR (ANSI/TIA-568.3)', () => {
    const loss = linkLossDb(100_000, 2);
    expect(loss).toBeCloseTo(1.85, 9);
    expect(loss).toBeLessThan(2.6);
  });

  it('may lose so much by module and fibre: 10GBASE-SR published (IEEE 802.3 clause 52), the others from memory', () => {
    expect(channelLossDb).toEqual({
      '1000BASE-SX': { OM2: 3.56, OM3: 3.56, OM4: 3.56 },
      '1000BASE-LX': { OS2: 4.57 },
      '10GBASE-SR': { OM3: 2.6, OM4: 2.9 },
      '10GBASE-LR': { OS2: 6.2 },
      '25GBASE-SR': { OM3: 1.8, OM4: 1.9 },
      '40GBASE-SR4': { OM3: 1.9, OM4: 1.5 },
      '100GBASE-SR4': { OM3: 1.8, OM4: 1.9 },
    });
    expect([channelLossSource('10GBASE-SR').mark, channelLossSource('10GBASE-LR').mark]).toEqual([
      'published',
      'from memory',
    ]);
    // 10 km of single-mode at 1 dB/km with two mated pairs: 11.5 dB, far over the 6.2 of 10GBASE-LR.
    expect(linkLossDb(10_000_000, 2, 'single')).toBeCloseTo(11.5, 9);
  });

  it('take a module of the speed that reaches, single-mode where multimode does not', () => {
    expect(moduleFor(10_000, 50_000)).toMatchObject({ module: { name: '10GBASE-SR' }, fibre: 'OM4' });
    expect(moduleFor(10_000, 450_000)).toMatchObject({ module: { name: '10GBASE-LR' }, fibre: 'OS2' });
    expect(moduleFor(25_000, 200_000).module).toBeUndefined();
  });
});
