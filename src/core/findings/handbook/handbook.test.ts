import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { HANDBOOK, reckon, resultWords } from './handbook';

describe('the handbook', () => {
  it.each(HANDBOOK.map((entry) => [entry.id, entry] as const))('%s comes out as its example says', (_, entry) => {
    const { given, result, from } = entry.example;
    expect(from.length).toBeGreaterThan(3);
    expect(Object.keys(given).sort()).toEqual(entry.inputs.map(({ name }) => name).sort());
    expect(resultWords(entry, entry.reckon(given))).toBe(resultWords(entry, result));
  });

  it.each(HANDBOOK.map((entry) => [entry.id, entry] as const))('%s is whole', (_, entry) => {
    expect(entry.tells).toMatch(/\.$/);
    expect(entry.source.title.length).toBeGreaterThan(3);
    const inFormula = [...entry.formula.matchAll(/\{(\w+)\}/g)].map(([, name]) => name);
    for (const name of inFormula)
      expect(
        entry.inputs.some((input) => input.name === name),
        name,
      ).toBe(true);
    for (const input of entry.inputs) {
      if (input.kind === 'choice') expect(input.options).toContain(input.initial);
      else expect(input.initial >= input.least && input.initial <= input.most).toBe(true);
    }
    // With nothing put in it reckons with its defaults, and the formula has no hole left.
    expect(reckon(entry.id, {}).formula).not.toMatch(/[{}]/);
  });

  it('has each id once', () => {
    expect(new Set(HANDBOOK.map(({ id }) => id)).size).toBe(HANDBOOK.length);
  });

  it('says which number is wrong, and what was expected', () => {
    expect(() => reckon('mains-current', { volts: '12' })).toThrow('volts: found “12”, expected 100 to 240 V.');
    expect(() => reckon('cords-allowed', { gauge: '22' })).toThrow('gauge: found “22”, expected one of 24, 26, 28.');
    expect(() => reckon('mains-current', { ohms: '1' })).toThrow(
      'mains-current takes no ohms; it takes watts, volts, factor.',
    );
    expect(() => reckon('nothing', {})).toThrow('The handbook has no entry nothing.');
    expect(reckon('mains-current', { watts: '230', volts: '230', factor: '1' })).toMatchObject({
      value: '1.00',
      unit: 'A',
      formula: '230 W / (230 V × 1)',
    });
  });

  it('never comes out as no number within its limits', () => {
    for (const entry of HANDBOOK) {
      const given = fc.record(
        Object.fromEntries(
          entry.inputs.map((input) => [
            input.name,
            input.kind === 'choice'
              ? fc.constantFrom(...input.options)
              : fc.double({ min: input.least, max: input.most, noNaN: true }),
          ]),
        ),
      );
      fc.assert(
        fc.property(given, (numbers) => {
          const made = entry.reckon(numbers as Record<string, number | string>);
          if (typeof made === 'number')
            expect(Number.isNaN(made), `${entry.id} ${JSON.stringify(numbers)}`).toBe(false);
        }),
        { numRuns: 40 },
      );
    }
  });
});
