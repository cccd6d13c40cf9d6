import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { changesBetween, mostErrorsADay } from './laterReading';
import { POE_STATES, TREE } from './managementTree';
import { groupMoves, type Move } from './movedCords';
import { readWalk, type SeenPort } from './readWalk';

const along = ({ from, to }: Move) => [{ of: 'switch' as const, by: to - from, key: `switch ${to - from}` }];

/** Moves of a few things over a few ports, each port holding one. */
const someMoves = fc
  .tuple(fc.integer({ min: 2, max: 7 }), fc.nat())
  .chain(([count]) =>
    fc.record({
      from: fc.shuffledSubarray(
        Array.from({ length: count + 2 }, (_, at) => at),
        { minLength: count, maxLength: count },
      ),
      to: fc.shuffledSubarray(
        Array.from({ length: count + 2 }, (_, at) => at),
        { minLength: count, maxLength: count },
      ),
    }),
  )
  .map(({ from, to }) =>
    from.flatMap((place, at): Move[] =>
      to[at] === undefined || to[at] === place ? [] : [{ name: `r${at}`, from: place, to: to[at] }],
    ),
  );

/** Fewest causes by trying every way to part the moves, where a part is what hangs together, or what went the same way. */
function byForce(moves: readonly Move[]): number {
  const chains = chainsOf(moves);
  const rings = chains.filter((chain) => chain.every(({ to }) => chain.some(({ from }) => from === to)));
  const open = chains.filter((chain) => !rings.includes(chain)).flat();
  const fits = (part: readonly Move[]): boolean =>
    new Set(part.map(({ from, to }) => to - from)).size === 1 ||
    chainsOf(open).some((chain) => part.every((one) => chain.includes(one)));
  let least = open.length;
  const parts: Move[][] = [];
  const place = (at: number): void => {
    if (parts.length >= least && at < open.length) return;
    if (at === open.length) {
      if (parts.every(fits)) least = Math.min(least, parts.length);
      return;
    }
    const move = open[at] as Move;
    for (const part of parts) {
      part.push(move);
      place(at + 1);
      part.pop();
    }
    parts.push([move]);
    place(at + 1);
    parts.pop();
  };
  if (open.length > 0) place(0);
  return rings.length + (open.length > 0 ? least : 0);
}

function chainsOf(moves: readonly Move[]): Move[][] {
  const chains: Move[][] = [];
  for (const move of moves) {
    const touching = chains.filter((chain) =>
      chain.some((one) => [one.from, one.to].some((p) => p === move.from || p === move.to)),
    );
    const joined = [move, ...touching.flat()];
    for (const one of touching) chains.splice(chains.indexOf(one), 1);
    chains.push(joined);
  }
  return chains;
}

describe('moved cords', () => {
  it('are grouped into as few causes as trying every way finds', () => {
    fc.assert(
      fc.property(someMoves, (moves) => {
        const { groups, proven } = groupMoves(moves, along);
        expect(groups.length).toBe(byForce(moves));
        if (moves.length <= 8) expect(proven).toBe(true);
        // Each move belongs to one.
        expect(groups.flatMap((group) => group.moves.map(({ name }) => name)).sort()).toEqual(
          moves.map(({ name }) => name).sort(),
        );
      }),
      { numRuns: 400 },
    );
  });

  it('a row one port off is one cause, though ports between are empty', () => {
    const moves = [1, 2, 3, 7, 8, 12].map((port) => ({ name: `r${port}`, from: port, to: port + 1 }));
    const { groups } = groupMoves(moves, along);
    expect(groups).toMatchObject([{ kind: 'shifted', offset: { of: 'switch', by: 1 } }]);
    expect(groups[0]?.moves).toHaveLength(6);
  });
});

const port = (more: Partial<SeenPort>): SeenPort => ({
  port: 1,
  up: true,
  mbps: 1000,
  halfDuplex: false,
  fcsErrors: 0,
  poe: null,
  poeClass: null,
  network: 10,
  addresses: [],
  neighbours: [],
  ...more,
});

describe('where switches keep what they see', () => {
  it('is where the standard modules say', () => {
    // RFC 2863 (IF-MIB): ifOperStatus, ifName, ifHighSpeed.
    expect([TREE.operStatus, TREE.name, TREE.highSpeed]).toEqual([
      '1.3.6.1.2.1.2.2.1.8',
      '1.3.6.1.2.1.31.1.1.1.1',
      '1.3.6.1.2.1.31.1.1.1.15',
    ]);
    // RFC 3635 (EtherLike): frames with a broken check, duplex.
    expect([TREE.fcsErrors, TREE.duplex]).toEqual(['1.3.6.1.2.1.10.7.2.1.3', '1.3.6.1.2.1.10.7.2.1.19']);
    // RFC 4188 and 4363 (BRIDGE, Q-BRIDGE): port to interface, learnt addresses, those by network, network of a port.
    expect([TREE.basePort, TREE.learnt, TREE.learntByNetwork, TREE.network]).toEqual([
      '1.3.6.1.2.1.17.1.4.1.2',
      '1.3.6.1.2.1.17.4.3.1.2',
      '1.3.6.1.2.1.17.7.1.2.2.1.2',
      '1.3.6.1.2.1.17.7.1.4.5.1.1',
    ]);
    // RFC 3621 (PoE): state, class + 1, rated and drawn watts; 1 off, 2 searching, 3 delivering, 4 fault.
    expect([TREE.poeState, TREE.poeClass, TREE.poeBudgetW, TREE.poeDrawnW]).toEqual([
      '1.3.6.1.2.1.105.1.1.1.6',
      '1.3.6.1.2.1.105.1.1.1.10',
      '1.3.6.1.2.1.105.1.3.1.1.2',
      '1.3.6.1.2.1.105.1.3.1.1.4',
    ]);
    expect(POE_STATES).toEqual(['off', 'searching', 'delivering', 'fault']);
    // IEEE 802.1AB (LLDP): name of the neighbour.
    expect(TREE.neighbour).toBe('1.0.8802.1.1.2.1.4.1.1.9');
  });

  it('counts classes from one (RFC 3621)', () => {
    const text = '.1.3.6.1.2.1.2.2.1.8.1 = INTEGER: 1\n.1.3.6.1.2.1.105.1.1.1.10.1.1 = INTEGER: 5\n';
    expect(readWalk(text)[0]?.poeClass).toBe(4);
  });
});

describe('a later reading', () => {
  it('knows how many broken frames a day a standard allows at most', () => {
    // IEEE 802.3: 1e-10 for 1000BASE-T; frames of 1518 octets at full use: one each 10.1 s, so 8,500 a day.
    expect(mostErrorsADay(1000)).toBeGreaterThan(8_400);
    expect(mostErrorsADay(1000)).toBeLessThan(8_650);
    // 1e-12 for 10GBASE-T: one each 101 s.
    expect(mostErrorsADay(10_000)).toBeCloseTo(86_400 / 101, -1);
  });

  it('says what changed, port by port, and how many errors a day', () => {
    const words = (before: Partial<SeenPort>, after: Partial<SeenPort>, days: number | null = 1) =>
      changesBetween([port(before)], [port(after)], days).map((one) => one.words);
    expect(words({}, {})).toEqual([]);
    expect(words({}, { up: false })).toEqual(['It went down.']);
    expect(words({}, { mbps: 100 })).toEqual(['It links at 100 Mb/s; it was 1000.']);
    expect(words({ addresses: ['a'] }, { addresses: ['b'] })).toEqual(['Another device is on it.']);
    expect(words({ fcsErrors: 10 }, { fcsErrors: 4 })[0]).toContain('began anew');
    expect(words({}, { fcsErrors: 20 }, 2)[0]).toMatch(/^10 broken frames a day: within/);
    expect(words({}, { fcsErrors: 100_000 }, 1)[0]).toContain('more than the');
    expect(words({}, { fcsErrors: 5 }, null)[0]).toContain('not known');
    expect(words({ network: null }, { network: 20 })).toEqual([]);
  });
});
