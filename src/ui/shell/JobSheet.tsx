import { zodResolver } from '@hookform/resolvers/zod';
import Link from 'next/link';
import { useForm } from 'react-hook-form';
import { z } from 'zod';
import { COUNTRIES, countryOf } from '@/core/base/standards/countries';
import { RULE_SETS } from '@/core/base/standards/ruleSets';
import { UNITS } from '@/core/base/units/length';
import { JobHead } from '@/core/job/document/jobHead';
import { Actor } from '@/core/job/document/step';
import { Button } from '../kit/Button';
import { Field, Input, Select } from '../kit/Field';
import { RuleSetOptions } from '../kit/RuleSetOptions';
import { Sheet } from '../kit/Sheet';
import { actorHere, memberHere, nameActor } from '../session/actor';
import { useSession } from '../session/session';
import { TemplateBox } from './TemplateBox';

const Form = z.object({
  name: JobHead.shape.name,
  units: z.enum(UNITS),
  rules: z.enum(RULE_SETS),
  country: z.string(),
  who: Actor.shape.name,
});

const rulesOf = ({ rules, country }: Pick<z.infer<typeof Form>, 'rules' | 'country'>) =>
  countryOf(country)?.rules ?? rules;

/** Name, units, country and rules of the job. */
export function JobSheet({ onClose }: { onClose: () => void }) {
  const name = useSession((session) => session.job.name);
  const units = useSession((session) => session.job.units);
  const rules = useSession((session) => session.job.rules);
  const country = useSession((session) => session.job.country);
  const dispatch = useSession((session) => session.dispatch);
  const signedIn = useSession((session) => memberHere(session.job.id) !== null);
  const { register, handleSubmit, formState } = useForm<z.infer<typeof Form>>({
    resolver: zodResolver(Form),
    defaultValues: { name, units, rules, country, who: actorHere().name },
  });
  return (
    <Sheet
      open
      onClose={onClose}
      title="This job"
      about="Lengths are kept exactly; units only say how they are shown and typed."
    >
      <form
        noValidate
        className="grid gap-4"
        onSubmit={handleSubmit((form) => {
          if (!signedIn) nameActor(form.who);
          // Only what was touched: another window may have changed the rest.
          const changes = {
            ...(form.name === name ? {} : { name: form.name }),
            ...(form.units === units ? {} : { units: form.units }),
            ...(form.country === country ? {} : { country: form.country }),
            // The rules are those of the country where one is chosen.
            ...(rulesOf(form) === rules ? {} : { rules: rulesOf(form) }),
          };
          if (Object.keys(changes).length === 0 || dispatch([{ type: 'editJob', changes }])) onClose();
        })}
      >
        <Field label="Name" wrong={formState.errors.name?.message}>
          {(ids) => <Input {...ids} {...register('name')} autoComplete="off" />}
        </Field>
        <Field label="Units">
          {(ids) => (
            <Select {...ids} {...register('units')}>
              <option value="metric">Metric: metres, millimetres</option>
              <option value="imperial">Imperial: feet, inches</option>
            </Select>
          )}
        </Field>
        <Field label="Country" help="Sets the rules, money and dates.">
          {(ids) => (
            <Select {...ids} {...register('country')}>
              <option value="">Another country</option>
              {COUNTRIES.map(({ code, name: land }) => (
                <option key={code} value={code}>
                  {land}
                </option>
              ))}
            </Select>
          )}
        </Field>
        <Field
          label="Rules of"
          help="Mains, jackets, conduit, heights, cords, money and dates follow it where nothing else was answered. Local code comes first."
        >
          {(ids) => (
            <Select {...ids} {...register('rules')}>
              <RuleSetOptions />
            </Select>
          )}
        </Field>
        {signedIn ? (
          <p>
            What you do here stands beside your name, <b>{actorHere().name}</b>.{' '}
            <Link href="/account" className="underline">
              Your account
            </Link>
          </p>
        ) : (
          <Field
            label="Your name"
            help="Stands beside what you do in the list of changes. It is kept in this browser."
            wrong={formState.errors.who?.message}
          >
            {(ids) => <Input {...ids} {...register('who')} autoComplete="name" />}
          </Field>
        )}
        <div>
          <Button look="main" type="submit">
            Change the job
          </Button>
        </div>
      </form>
      <TemplateBox />
    </Sheet>
  );
}
