import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { apply, bench, patched, tarnbrook } from '../../../../tests/support/jobs';
import { sameKey } from '../../base/text/sameKey';
import { traceParts, traceRun } from '../../trade/trace/traceRun';
import { planJob } from '../../trade/wholeJob/planJob';
import { GEAR_KINDS, Gear } from '../records/gear';
import { gearShortNames, rackShortNames, shortPort } from './shortNames';

const device = (id: string, name: string, kind: Gear['kind'], shortName = '') =>
  Gear.parse({ id, name, kind, heightU: 1, depthMm: 100, shortName });

describe('short names', () => {
  it('are letters for panels, and a prefix with a number for the rest; what a name ends with is taken up', () => {
    const job = bench();
    expect([...gearShortNames(job)].sort()).toEqual([
      ['panel', 'A'],
      ['switch', 'SW1'],
    ]);
    expect([...rackShortNames(job).values()]).toEqual(['C1']);
    const more = apply(job, {
      type: 'addGear',
      gear: [
        device('b', 'Panel D', 'panel'),
        device('c', 'Switch 4', 'switch'),
        device('d', 'Patch panel, keystone, 24', 'panel'),
        device('e', 'Another', 'switch', 'MDF'),
      ],
    });
    expect(more.gear.b?.shortName).toBe('D');
    expect(more.gear.c?.shortName).toBe('SW4');
    // How many ports it has is no name.
    expect(more.gear.d?.shortName).toBe('B');
    expect(more.gear.e?.shortName).toBe('MDF');
  });

  it('are kept once given, unique, and refused where they are taken', () => {
    const job = bench();
    const named = apply(job, { type: 'editGear', gearId: 'panel', changes: { shortName: 'North' } });
    expect(gearShortNames(named).get('panel')).toBe('North');
    expect(() => apply(named, { type: 'editGear', gearId: 'switch', changes: { shortName: 'north' } })).toThrow(
      /short name/,
    );
    const kinds = fc.array(
      fc.tuple(fc.constantFrom(...GEAR_KINDS), fc.constantFrom('Panel A', 'Switch 2', 'Gear', 'X')),
      {
        maxLength: 60,
      },
    );
    fc.assert(
      fc.property(kinds, (rows) => {
        const gear = Object.fromEntries(
          rows.map(([kind, name], at) => [`g${at}`, device(`g${at}`, `${name}`, kind)] as const),
        );
        const names = [...gearShortNames({ gear }).values()];
        expect(new Set(names.map(sameKey)).size).toBe(rows.length);
        for (const name of names) expect(name.length).toBeLessThanOrEqual(8);
      }),
    );
  });

  it('tell every port, whatever the long names are', () => {
    const planned = structuredClone(planJob(tarnbrook()).job);
    for (const gear of Object.values(planned.gear))
      gear.name = `Patch panel, screened, with a very long name ${gear.name}`;
    const shorts = Object.values(planned.runs).flatMap((run) =>
      traceParts(planned, traceRun(planned, run)).flatMap((part) =>
        part.kind === 'Panel port' ? (part.short ?? []) : [],
      ),
    );
    expect(shorts.length).toBeGreaterThan(40);
    expect(new Set(shorts).size).toBe(shorts.length);
    for (const short of shorts) expect(short).toMatch(/^\S+ \d+$/);
    expect(shortPort(patched(bench({ 1: {} }), '1'), 'panel', 7)).toBe('A 7');
  });
});
