import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { forceToField, formatForce, formatMass, massToField, parseForce, parseMass } from './force';

describe('masses and forces (pound 0.45359237 kg, pound-force 4.4482216 N, by definition)', () => {
  it('are shown in the unit of the job', () => {
    expect([formatMass(28, 'metric'), formatMass(28, 'imperial')]).toEqual(['28 kg', '61.7 lb']);
    expect([formatForce(1156, 'metric'), formatForce(1156, 'imperial')]).toEqual(['1156 N', '260 lbf']);
  });

  it('are read as they are shown, to the tenth', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 2000, noNaN: true }),
        fc.constantFrom('metric' as const, 'imperial' as const),
        (value, units) => {
          expect(Math.abs((parseMass(massToField(value, units), units) ?? -1) - value)).toBeLessThanOrEqual(0.06);
          expect(Math.abs((parseForce(forceToField(value, units), units) ?? -1) - value)).toBeLessThanOrEqual(0.3);
        },
      ),
    );
    expect([parseMass('12,5', 'metric'), parseMass('', 'metric'), parseForce('much', 'imperial')]).toEqual([
      12.5,
      null,
      null,
    ]);
  });
});
