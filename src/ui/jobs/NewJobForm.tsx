'use client';

import { zodResolver } from '@hookform/resolvers/zod';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { type FormEvent, useEffect } from 'react';
import { useForm } from 'react-hook-form';
import { z } from 'zod';
import { COUNTRIES, countryOf } from '@/core/base/standards/countries';
import { formatSize, parseSize, sizeToField, sizeUnit, type Units } from '@/core/base/units/length';
import { Created } from '@/core/exchange/wire/jobList';
import { NewJob } from '@/core/job/commands/newJob';
import { gearLibrary, librarySize, starterGear } from '@/core/job/gear/library';
import { RACK_DOORS, STANDINGS } from '@/core/job/records/rack';
import { Button } from '../kit/Button';
import { Field, Input, Select } from '../kit/Field';
import { toast } from '../session/toast';
import { askServer } from '../session/wireClient';

const Form = z.object({
  name: z.string().trim().min(1, 'Give the job a name').pipe(NewJob.shape.name),
  country: z.string().min(1, 'Choose a country'),
  door: z.string(),
  standing: z.string().pipe(z.enum(STANDINGS, 'Choose how it stands')),
  units: NewJob.shape.units,
  rackUnits: z.coerce.number<string>().pipe(NewJob.shape.rackUnits),
  rackDepth: z.string(),
  numbering: NewJob.shape.numbering,
  names: z.array(z.string()),
  counts: z.array(
    z.coerce
      .number<string>()
      .int('expected a whole number')
      .min(0, 'expected 0 or more')
      .max(20, 'expected at most 20'),
  ),
});

/** What each of several devices is called, from one line. */
const namesIn = (line: string): string[] =>
  line
    .split(',')
    .map((one) => one.trim())
    .filter((one) => one !== '');

/** Where this browser keeps the country of the job started last. */
const COUNTRY_KEY = 'good-shelf-country';
const ELSEWHERE = 'elsewhere';

/** Start a job: its name, its country, units, the rack and how it stands, and a few pieces of gear with their names. */
// biome-ignore lint/complexity/noExcessiveLinesPerFunction: one form, field after field
export function NewJobForm({ template }: { template: { id: string; name: string } | null }) {
  const router = useRouter();
  const { register, handleSubmit, watch, setError, getValues, setValue, formState } = useForm<
    z.input<typeof Form>,
    unknown,
    z.output<typeof Form>
  >({
    resolver: zodResolver(Form),
    defaultValues: {
      name: '',
      country: '',
      door: '',
      standing: '',
      units: 'metric',
      rackUnits: '12',
      rackDepth: '450',
      numbering: 'from-bottom',
      names: starterGear.map(() => ''),
      counts: starterGear.map(() => '0'),
    },
  });
  const units = watch('units') as Units;
  const counts = watch('counts');
  const { errors, isSubmitting } = formState;
  useEffect(() => {
    const last = localStorage.getItem(COUNTRY_KEY);
    if (last !== null && (last === ELSEWHERE || countryOf(last))) setValue('country', last);
  }, [setValue]);

  /** The depth stays the same when the units change. */
  const turnDepth = (to: Units) => {
    const depthMm = parseSize(getValues('rackDepth'), to === 'metric' ? 'imperial' : 'metric');
    if (depthMm !== null) setValue('rackDepth', sizeToField(depthMm, to));
  };
  const start = async (form: z.output<typeof Form>) => {
    const rackDepthMm = parseSize(form.rackDepth, units);
    const depth = NewJob.shape.rackDepthMm.safeParse(rackDepthMm);
    if (!depth.success) {
      const [least, most] = [50, 2000].map((mm) => formatSize(mm, units));
      return setError('rackDepth', { message: `expected a depth from ${least} to ${most}` }, { shouldFocus: true });
    }
    const gear = form.counts.flatMap((count, at) => {
      const names = namesIn(form.names[at] ?? '').slice(0, count);
      return count > 0 ? [{ library: starterGear[at] ?? 0, count, names }] : [];
    });
    const { name, numbering, rackUnits, standing } = form;
    const country = countryOf(form.country);
    const rules = country?.rules ?? 'other';
    const door = RACK_DOORS.find((one) => one === form.door) ?? null;
    try {
      const body = {
        name,
        units,
        rules,
        country: country?.code ?? '',
        door,
        numbering,
        standing,
        rackUnits,
        rackDepthMm: depth.data,
        gear,
      };
      const { id } = await askServer('/api/jobs', Created, { method: 'POST', body });
      try {
        localStorage.setItem(COUNTRY_KEY, form.country);
      } catch {
        // Where the browser keeps nothing it is chosen anew.
      }
      router.push(`/jobs/${id}/survey`);
    } catch (fault) {
      toast.error((fault as Error).message);
    }
  };

  return (
    <main className="mx-auto max-w-5xl px-5 py-6">
      <h1 className="wide border-strong border-b-2 pb-3 font-extrabold text-2xl">New job</h1>
      {template && <FromTemplate template={template} />}
      <form onSubmit={handleSubmit(start)} noValidate className="mt-5 grid gap-8 md:grid-cols-[1fr_1.25fr]">
        <div className="grid content-start gap-4">
          <Field label="Name" help="The place, as you speak of it." wrong={errors.name?.message}>
            {(ids) => <Input {...ids} {...register('name')} autoComplete="off" />}
          </Field>
          <Field
            label="Country"
            help="Sets plugs, conduit, standards cited, money and dates. Local code comes first."
            wrong={errors.country?.message}
          >
            {(ids) => (
              <Select {...ids} {...register('country')}>
                <option value="">Choose…</option>
                {COUNTRIES.map(({ code, name }) => (
                  <option key={code} value={code}>
                    {name}
                  </option>
                ))}
                <option value={ELSEWHERE}>Another country</option>
              </Select>
            )}
          </Field>
          <Field label="Units">
            {(ids) => (
              <Select {...ids} {...register('units', { onChange: (event) => turnDepth(event.target.value) })}>
                <option value="metric">Metric: metres, millimetres</option>
                <option value="imperial">Imperial: feet, inches</option>
              </Select>
            )}
          </Field>
          <Field label="The cabinet stands" wrong={errors.standing?.message}>
            {(ids) => (
              <Select {...ids} {...register('standing')}>
                <option value="">Choose…</option>
                <option value="wall">on the wall</option>
                <option value="floor">on the floor</option>
                <option value="table">on a table or shelf</option>
              </Select>
            )}
          </Field>
          <Field label="Its door" help="Heat and noise are judged by it.">
            {(ids) => (
              <Select {...ids} {...register('door')}>
                <option value="">not known yet</option>
                <option value="glass">glass</option>
                <option value="solid">solid</option>
                <option value="vented">vented</option>
                <option value="none">none: an open frame</option>
              </Select>
            )}
          </Field>
          <div className="grid grid-cols-2 gap-4">
            <Field label="Rack height" unit="U" help="1 to 60 rack units." wrong={errors.rackUnits?.message}>
              {(ids) => <Input {...ids} {...register('rackUnits')} inputMode="numeric" />}
            </Field>
            <Field
              label="Usable depth"
              unit={sizeUnit(units)}
              help="Front rails to the back."
              wrong={errors.rackDepth?.message}
            >
              {(ids) => <Input {...ids} {...register('rackDepth')} inputMode="decimal" />}
            </Field>
          </div>
          <Field label="Units are numbered" help="As they are marked on the rails.">
            {(ids) => (
              <Select {...ids} {...register('numbering')}>
                <option value="from-bottom">from the bottom: U1 lowest</option>
                <option value="from-top">from the top: U1 highest</option>
              </Select>
            )}
          </Field>
          <div className="flex gap-3">
            <Button look="main" type="submit" disabled={isSubmitting}>
              Start the job
            </Button>
            <Link href="/" className="self-center underline">
              Back to the list
            </Link>
          </div>
        </div>
        <fieldset>
          <legend className="font-semibold">Gear to start with</legend>
          <p className="text-soft text-xs">
            Generic, without makes; figures typical of the class. {librarySize} kinds and your own can be added later.
          </p>
          <table className="mt-2 w-full">
            <thead>
              <tr className="border-b text-left text-soft text-xs">
                <th className="py-1 font-semibold">Device</th>
                <th className="w-14 font-semibold">Height</th>
                <th className="w-20 font-semibold">Depth</th>
                <th className="w-20 font-semibold">How many</th>
              </tr>
            </thead>
            <tbody>
              {starterGear.map((library, at) => {
                const gear = gearLibrary()[library];
                return (
                  gear && (
                    <tr key={gear.name} className="border-b">
                      <td className="py-1">
                        {gear.name}
                        {Number(counts[at]) > 0 && (
                          <Input
                            {...register(`names.${at}`)}
                            aria-label={`Names of ${gear.name}`}
                            placeholder={Number(counts[at]) > 1 ? 'names, with commas between' : 'name'}
                            className="mt-1"
                          />
                        )}
                      </td>
                      <td className="font-mono text-xs">{gear.heightU}U</td>
                      <td className="font-mono text-xs">{formatSize(gear.depthMm, units)}</td>
                      <td>
                        <Input
                          {...register(`counts.${at}`)}
                          aria-label={`How many: ${gear.name}`}
                          aria-invalid={Boolean(errors.counts?.[at])}
                          title={errors.counts?.[at]?.message}
                          inputMode="numeric"
                          className="py-0.5 aria-invalid:border-wont"
                        />
                      </td>
                    </tr>
                  )
                );
              })}
            </tbody>
          </table>
        </fieldset>
      </form>
    </main>
  );
}

/** The short way: what the firm always begins with, under another name. */
function FromTemplate({ template: { id, name } }: { template: { id: string; name: string } }) {
  const router = useRouter();
  const copy = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const body = { name: String(new FormData(event.currentTarget).get('name')), whole: false };
    try {
      const made = await askServer(`/api/jobs/${id}/copy`, Created, { method: 'POST', body });
      router.push(`/jobs/${made.id}/survey`);
    } catch (fault) {
      toast.error((fault as Error).message);
    }
  };
  return (
    <form onSubmit={(event) => void copy(event)} className="mt-5 grid gap-2 border border-strong bg-sheet p-3">
      <p>
        <b>From the template {name}</b>: its cabinet, gear and networks too. Its kinds of cable, testers, prices,
        minutes and ways of working any new job takes over.
      </p>
      <div className="flex flex-wrap items-end gap-2">
        <Field label="Name of the job from the template">
          {(ids) => <Input {...ids} name="name" required maxLength={80} className="w-72!" />}
        </Field>
        <Button type="submit">Start from it</Button>
      </div>
    </form>
  );
}
