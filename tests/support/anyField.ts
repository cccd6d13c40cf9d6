import fc from 'fast-check';
import type { z } from 'zod';

type Def = {
  type: string;
  innerType?: z.ZodType;
  element?: z.ZodType;
  options?: z.ZodType[];
  entries?: Record<string, string>;
  values?: unknown[];
};

/** Short words that often meet, some of them hard. */
const WORDS = [
  'North',
  'north ',
  ' North',
  '',
  'é',
  'a:b',
  '->',
  '2026-11-24',
  '18:30',
  '2026-12-07T18:30',
  '02:00:5e:00:53:01',
  'Cat 6 U/UTP',
  '0',
  '<x>',
];

/** Any value that a schema takes. */
export function anyField(schema: z.ZodType): fc.Arbitrary<unknown> {
  const def = schema._zod.def as unknown as Def;
  const takes = (value: unknown) => schema.safeParse(value).success;
  switch (def.type) {
    case 'default':
    case 'optional':
      return anyField(def.innerType as z.ZodType);
    case 'nullable':
      return fc.option(anyField(def.innerType as z.ZodType));
    case 'enum':
      return fc.constantFrom(...Object.values(def.entries ?? {}));
    case 'literal':
      return fc.constantFrom(...(def.values ?? []));
    case 'boolean':
      return fc.boolean();
    case 'union':
      return fc.oneof(...(def.options ?? []).map(anyField));
    case 'array':
      return fc.array(anyField(def.element as z.ZodType), { maxLength: 2 }).filter(takes);
    case 'object':
      return fc
        .record(
          Object.fromEntries(
            Object.entries((schema as z.ZodObject).shape).map(([field, one]) => [field, anyField(one as z.ZodType)]),
          ),
        )
        .filter(takes);
    case 'string':
      return fc.constantFrom(...WORDS.filter(takes));
    case 'number': {
      const { minValue, maxValue } = schema as z.ZodNumber;
      const [least, most] = [minValue ?? -10, Math.min(maxValue ?? 100, (minValue ?? 0) + 40)];
      return fc.integer({ min: Math.ceil(least), max: Math.max(Math.ceil(least), Math.floor(most)) });
    }
    default:
      throw new Error(`There is no way to make a ${def.type}.`);
  }
}
