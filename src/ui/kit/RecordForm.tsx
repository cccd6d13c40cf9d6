import { type ReactNode, useState } from 'react';
import { useForm } from 'react-hook-form';
import type { z } from 'zod';
import { Refusal } from '@/core/base/text/refusal';
import { massToField, massUnit, parseMass } from '@/core/base/units/force';
import { parseSize, sizeToField, sizeUnit, type Units } from '@/core/base/units/length';
import { Button } from './Button';
import { Field, Input, Select } from './Field';

/** One field of a record: how it is shown, typed and read. An empty one of `none` is null. */
export type FieldSpec = {
  name: string;
  label: string;
  kind: 'text' | 'size' | 'mass' | 'number' | 'money' | 'choice' | 'own';
  unit?: string;
  help?: string;
  /** May be left empty; then it is null. */
  none?: boolean;
  wide?: boolean;
  options?: readonly { value: string; words: string }[];
  /** Of kind `own`: to and from the text in the field. Throws a Refusal when it cannot be read. */
  own?: { show: (value: unknown) => string; read: (text: string) => unknown };
};
export type FieldGroup = { title: string; fields: readonly FieldSpec[] };

const shown = (spec: FieldSpec, value: unknown, units: Units): string => {
  if (spec.kind === 'own') return spec.own?.show(value) ?? '';
  if (value === null || value === undefined) return '';
  if (spec.kind === 'size') return sizeToField(Number(value), units);
  if (spec.kind === 'mass') return massToField(Number(value), units);
  if (spec.kind === 'money') return String(Number(value) / 100);
  return String(value);
};

function readText(spec: FieldSpec, text: string, was: unknown, units: Units): unknown {
  if (spec.kind === 'own') return spec.own?.read(text);
  // What was not touched keeps what its shorter form has lost.
  if (text === shown(spec, was, units)) return was;
  if (spec.kind === 'text') return text.trim();
  if (spec.kind === 'choice' && spec.none && text === '') return null;
  if (spec.kind === 'choice')
    return typeof was === 'number' ? Number(text) : typeof was === 'boolean' ? text === 'true' : text;
  if (text.trim() === '' && spec.none) return null;
  if (spec.kind === 'size') return parseSize(text, units) ?? Number.NaN;
  if (spec.kind === 'mass') return parseMass(text, units) ?? Number.NaN;
  const value = text.trim() === '' ? Number.NaN : Number(text.trim().replace(',', '.'));
  return spec.kind === 'money' ? Math.round(value * 100) : value;
}

/** A form over a record's own schema: what it does not take is said at its field. */
export function RecordForm({
  schema,
  groups,
  record,
  units,
  submit,
  onSubmit,
  children,
}: {
  schema: z.ZodObject;
  groups: readonly FieldGroup[];
  record: object;
  units: Units;
  submit: string;
  /** All fields as they read, and those that were touched. */
  onSubmit: (values: Record<string, unknown>, touched: Record<string, unknown>) => void;
  children?: ReactNode;
}) {
  const specs = groups.flatMap((group) => group.fields);
  // As it was when the form was opened: what others change meanwhile is not what was typed here.
  const [initial] = useState(record as Record<string, unknown>);
  const first = Object.fromEntries(specs.map((spec) => [spec.name, shown(spec, initial[spec.name], units)]));
  const { register, handleSubmit, setError, formState } = useForm<Record<string, string>>({ defaultValues: first });
  const take = (texts: Record<string, string>) => {
    const values: Record<string, unknown> = {};
    let good = true;
    const fail = (name: string, message: string) => {
      setError(name, { message }, { shouldFocus: good });
      good = false;
    };
    for (const spec of specs) {
      try {
        const value = readText(spec, texts[spec.name] ?? '', initial[spec.name], units);
        const checked = (schema.shape[spec.name] as z.ZodType).safeParse(value);
        if (checked.success) values[spec.name] = checked.data;
        else
          fail(
            spec.name,
            Number.isNaN(value) ? 'expected a number' : (checked.error.issues[0]?.message ?? 'not as expected'),
          );
      } catch (fault) {
        if (!(fault instanceof Refusal)) throw fault;
        fail(spec.name, fault.message);
      }
    }
    if (!good) return;
    // Only what was touched is handed on: the rest may have been changed by somebody else meanwhile.
    const touched = Object.fromEntries(
      specs.flatMap(({ name }) => (texts[name] === first[name] ? [] : [[name, values[name]]])),
    );
    onSubmit(values, touched);
  };
  const unitOf = (spec: FieldSpec) =>
    spec.kind === 'size' ? sizeUnit(units) : spec.kind === 'mass' ? massUnit(units) : spec.unit;
  return (
    <form onSubmit={handleSubmit(take)} noValidate className="grid gap-4">
      {groups.map((group) => (
        <fieldset key={group.title} className="grid grid-cols-2 gap-x-3 gap-y-2 sm:grid-cols-4">
          <legend className="wide mb-1 border-b font-bold">{group.title}</legend>
          {group.fields.map((spec) => {
            const unit = unitOf(spec);
            return (
              <div key={spec.name} className={spec.wide ? 'col-span-2 sm:col-span-4' : ''}>
                <Field
                  label={spec.label}
                  {...(unit ? { unit } : {})}
                  {...(spec.help ? { help: spec.help } : {})}
                  wrong={formState.errors[spec.name]?.message}
                >
                  {(ids) =>
                    spec.kind === 'choice' ? (
                      <Select {...ids} {...register(spec.name)}>
                        {spec.none && <option value="">not known</option>}
                        {spec.options?.map(({ value, words }) => (
                          <option key={value} value={value}>
                            {words}
                          </option>
                        ))}
                      </Select>
                    ) : (
                      <Input
                        {...ids}
                        {...register(spec.name)}
                        autoComplete="off"
                        {...(spec.kind === 'text' || spec.kind === 'own' ? {} : { inputMode: 'decimal' as const })}
                      />
                    )
                  }
                </Field>
              </div>
            );
          })}
        </fieldset>
      ))}
      <div className="flex flex-wrap gap-2">
        <Button look="main" type="submit">
          {submit}
        </Button>
        {children}
      </div>
    </form>
  );
}

/** Choices from plain words. */
export const choices = (words: Record<string, string>): { value: string; words: string }[] =>
  Object.entries(words).map(([value, text]) => ({ value, words: text }));
